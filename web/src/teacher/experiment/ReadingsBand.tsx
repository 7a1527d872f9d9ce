import { useState } from 'react';
import { Link } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { freshID, type Reading } from '../draft/document';
import { ConstantsBand } from './ConstantsBand';
import { DerivedRow } from './DerivedRow';
import { Band, PlainField, Remove, TickField, useEditing, WordsField } from './fields';
import type { Replace, Review } from '../draft/useDraft';
import { useRowKeys } from '../../ui/useRowKeys';
import { Said, say } from '../words';

/** What is read, with which tool, how finely; and what is worked out of it. */
export function ReadingsBand({
  review,
  replace,
}: {
  review: Review | undefined;
  replace: Replace;
}) {
  const { doc, set, language, findings } = useEditing();
  const readings = doc.readings ?? [];
  const offersOf = (i: number) =>
    (readings[i].times ?? []).map(
      (_, k) => findings.find((f) => f.offer && f.path === `/readings/${i}/times/${k}`)?.offer,
    );
  /** A planned time that is written anew stays with the steps that take it. */
  const setTimes = (i: number, times: string[]) => {
    const { id, times: before = [] } = readings[i];
    const now = (t: string | undefined) =>
      t !== undefined && before.length === times.length && before.includes(t)
        ? times[before.indexOf(t)]
        : t;
    replace({
      ...doc,
      readings: readings.map((x, k) => (k === i ? { ...x, times } : x)),
      steps: doc.steps?.map((s) =>
        s.takes
          ? {
              ...s,
              takes: s.takes.map((t) =>
                t.reading === id && t.time ? { ...t, time: now(t.time) } : t,
              ),
            }
          : s,
      ),
    });
  };
  const derived = doc.derived ?? [];
  const evidence = doc.evidence ?? [];
  const mistakes = doc.mistakes ?? [];
  const { keys, takeOut } = useRowKeys(mistakes.length);
  const expectations = doc.expectations ?? [];
  const removeReading = (r: Reading) =>
    replace(
      {
        ...doc,
        readings: readings.filter((x) => x !== r),
        steps: doc.steps?.map((s) => ({ ...s, takes: s.takes?.filter((t) => t.reading !== r.id) })),
      },
      say('readingsBand.took-out-a-reading'),
    );
  return (
    <>
      <Band
        title={say('readingsBand.readings')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['readings'],
                [
                  ...readings,
                  {
                    id: freshID('reading', readings),
                    symbol: `x${readings.length + 1}`,
                    name: {},
                    unit: 'mm',
                    per_condition: true,
                    instruments: [],
                  } satisfies Reading,
                ],
              )
            }
          >
            {say('readingsBand.add-a-reading')}
          </Button>
        }
      >
        {readings.length === 0 && (
          <p className="hint">{say('readingsBand.nothing-is-measured-yet-so-nothing')}</p>
        )}
        {readings.map((r, i) => (
          <div key={r.id} className="card-paper">
            <div className="field-row">
              <div className="grows">
                <WordsField
                  label={say('readingsBand.what-is-read')}
                  path={['readings', i, 'name']}
                  value={r.name}
                />
              </div>
              <PlainField
                label={say('constantsBand.symbol-in-formulas')}
                path={['readings', i, 'symbol']}
                value={r.symbol}
              />
              <PlainField
                label={say('derivedRow.unit')}
                path={['readings', i, 'unit']}
                value={r.unit}
              />
              <div>
                <label className="named" htmlFor={`times-${r.id}`}>
                  {say('readingsBand.at-the-times')}
                </label>
                <TimesInput
                  id={`times-${r.id}`}
                  value={r.times ?? []}
                  offers={offersOf(i)}
                  onChange={(times) => setTimes(i, times)}
                />
              </div>
              <div className="flex-none">
                <TickField
                  label={say('readingsBand.in-each-condition')}
                  path={['readings', i, 'per_condition']}
                  value={r.per_condition}
                />
                {(doc.trials > 1 || r.trials === 1) && (
                  <TickField
                    label={say('readingsBand.once-not-in-each-trial')}
                    path={['readings', i, 'trials']}
                    value={r.trials === 1}
                    on={1}
                  />
                )}
              </div>
            </div>
            <div className="field-row">
              <PlainField
                label={say('readingsBand.never-below')}
                path={['readings', i, 'low']}
                value={r.low}
                hint="0 mm"
              />
              <PlainField
                label={say('readingsBand.never-above')}
                path={['readings', i, 'high']}
                value={r.high}
              />
              <PlainField
                label={say('readingsBand.repeats-fall-apart-by')}
                path={['readings', i, 'repeatability']}
                value={r.repeatability}
                hint="0.8 mm"
              />
              <div className="grows">
                <WordsField
                  label={say('readingsBand.how-to-read-it')}
                  path={['readings', i, 'guidance']}
                  value={r.guidance}
                />
              </div>
            </div>
            {(r.instruments ?? []).map((tool, k) => (
              <div key={tool.id} className="field-row mb-1">
                <div className="grows">
                  <WordsField
                    label={say('readingsBand.tool', { value: k + 1 })}
                    path={['readings', i, 'instruments', k, 'name']}
                    value={tool.name}
                  />
                </div>
                <PlainField
                  label={say('readingsBand.smallest-step')}
                  path={['readings', i, 'instruments', k, 'resolution']}
                  value={tool.resolution}
                  hint="1 mm"
                />
                <TickField
                  label={say('readingsBand.a-scale-read-by-eye')}
                  path={['readings', i, 'instruments', k, 'analogue']}
                  value={tool.analogue}
                />
                <div className="flex-none">
                  <Remove
                    what={say('readingsBand.this-tool')}
                    onRemove={() =>
                      set(
                        ['readings', i, 'instruments'],
                        r.instruments!.filter((x) => x !== tool),
                        say('readingsBand.took-out-a-tool'),
                      )
                    }
                  />
                </div>
              </div>
            ))}
            <Button
              variant="outline-primary"
              onClick={() =>
                set(
                  ['readings', i, 'instruments'],
                  [
                    ...(r.instruments ?? []),
                    { id: freshID('tool', r.instruments), name: {}, resolution: '' },
                  ],
                )
              }
            >
              {say('readingsBand.add-a-tool')}
            </Button>{' '}
            <Remove
              what={r.name[language] || say('readingsBand.this-reading')}
              onRemove={() => removeReading(r)}
            />
          </div>
        ))}
      </Band>
      <ConstantsBand />
      <Band
        title={say('derivedRow.worked-out')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['derived'],
                [...derived, { id: freshID('value', derived), name: {}, formula: '', unit: '' }],
              )
            }
          >
            {say('readingsBand.add-a-value')}
          </Button>
        }
      >
        {derived.map((x, i) => (
          <DerivedRow
            key={x.id}
            value={x}
            at={i}
            onRemove={() =>
              set(
                ['derived'],
                derived.filter((d) => d !== x),
                say('readingsBand.took-out-a-value'),
              )
            }
          />
        ))}
        <p className="hint small">{say('readingsBand.constants-take-their-unit-such-as')}</p>
      </Band>
      <Band title={say('readingsBand.expected')}>
        {expectations.length === 0 && (
          <p className="hint">
            <Said
              of={say('readingsBand.nothing-is-expected-yet-ask-the')}
              with={[<Link key="0" to="/workbench" />]}
            />
          </p>
        )}
        {expectations.map((x) => {
          const out = review?.expected?.find((e) => e.id === x.id);
          const of = [...derived, ...readings].find((r) => r.id === x.for);
          const where = doc.conditions?.find((c) => c.id === x.condition);
          return (
            <div key={x.id} className="row-line">
              <span className="flex-fill">
                <strong>{of?.name[language] ?? x.for}</strong>
                {where && <>, {where.name[language] ?? where.id}</>}:{' '}
                {out?.problem ? <span className="w-mend">{out.problem}</span> : out?.text}{' '}
                <Link
                  className="small"
                  to={`/workbench?${new URLSearchParams({ ask: x.model, ...x.typed }).toString()}`}
                >
                  {out?.title || say('readingsBand.open-at-the-workbench')}
                </Link>
              </span>
              <Remove
                what={say('readingsBand.what-is-expected')}
                onRemove={() =>
                  set(
                    ['expectations'],
                    expectations.filter((e) => e !== x),
                    say('readingsBand.took-out-what-was-expected'),
                  )
                }
              />
            </div>
          );
        })}
      </Band>
      <Band
        title={say('readingsBand.evidence')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['evidence'],
                [...evidence, { id: freshID('evidence', evidence), kind: 'photo', name: {} }],
              )
            }
          >
            {say('readingsBand.add-evidence')}
          </Button>
        }
      >
        {evidence.map((e, i) => (
          <div key={e.id} className="field-row">
            <div className="field-110">
              <label className="named" htmlFor={`kind-${e.id}`}>
                {say('questionRow.kind')}
              </label>
              <FormSelect
                id={`kind-${e.id}`}
                value={e.kind}
                onChange={(event) => set(['evidence', i, 'kind'], event.target.value)}
              >
                <option value="photo">{say('readingsBand.photo')}</option>
                <option value="text">{say('questionRow.own-words')}</option>
              </FormSelect>
            </div>
            <WordsField
              label={say('readingsBand.what')}
              path={['evidence', i, 'name']}
              value={e.name}
            />
            <WordsField
              label={say('readingsBand.must-show')}
              path={['evidence', i, 'must_show']}
              value={e.must_show}
            />
            <div className="flex-none">
              <Remove
                what={e.name[language] || say('readingsBand.this-evidence')}
                onRemove={() =>
                  replace(
                    {
                      ...doc,
                      evidence: evidence.filter((x) => x !== e),
                      steps: doc.steps?.map((s) => ({
                        ...s,
                        evidence: s.evidence?.filter((id) => id !== e.id),
                      })),
                    },
                    say('readingsBand.took-out-evidence'),
                  )
                }
              />
            </div>
          </div>
        ))}
      </Band>
      <Band
        title={say('readingsBand.what-goes-wrong')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() => set(['mistakes'], [...mistakes, { see: {}, mend: {} }])}
          >
            {say('readingsBand.add-a-mistake')}
          </Button>
        }
      >
        {mistakes.map((m, i) => (
          <div key={keys[i]} className="field-row">
            <WordsField
              label={say('readingsBand.one-sees')}
              path={['mistakes', i, 'see']}
              value={m.see}
            />
            <WordsField
              label={say('readingsBand.mend-it-so')}
              path={['mistakes', i, 'mend']}
              value={m.mend}
            />
            <div className="flex-none">
              <Remove
                what={say('readingsBand.this-mistake')}
                onRemove={() => (
                  takeOut(i),
                  set(
                    ['mistakes'],
                    mistakes.filter((x) => x !== m),
                    say('readingsBand.took-out-a-mistake'),
                  )
                )}
              />
            </div>
          </div>
        ))}
      </Band>
    </>
  );
}

/** Times with commas between; what is typed stays as typed until the field is left. */
function TimesInput({
  id,
  value,
  offers,
  onChange,
}: {
  id: string;
  value: string[];
  offers: (string | undefined)[];
  onChange: (v: string[]) => void;
}) {
  const kept = value.join(', ');
  const [typed, setTyped] = useState<{ over: string; text: string }>();
  const text = typed?.over === kept ? typed.text : kept; // what changed elsewhere meanwhile stands
  const meant = value.map((t, k) => offers[k] ?? t);
  return (
    <>
      <FormControl
        id={id}
        placeholder="1 min, 2 min"
        value={text}
        onChange={(e) => setTyped({ over: kept, text: e.target.value })}
        onBlur={() =>
          onChange(
            text
              .split(',')
              .map((t) => t.trim())
              .filter(Boolean),
          )
        }
      />
      {offers.some(Boolean) && (
        <p className="small w-mend m-0" role="status">
          {say('readingsBand.a-time-without-a-unit')}{' '}
          <Button variant="plain" onClick={() => onChange(meant)}>
            {say('readingsBand.take', { meant: meant.join(', ') })}
          </Button>
        </p>
      )}
    </>
  );
}
