import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { isNumber, type Reading } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { Labelled } from '../parts/Labelled';
import { say } from '../words';
import { PlainField, Remove, TickField, useEditing, WordsField } from '../draft/fields';
import { ofKind, readingKinds } from '../draft/readingKinds';
import { ReadingKind } from './ReadingKind';

type Part = NonNullable<Reading['per']>[number];
const allParts: Part[] = ['condition', 'object', 'stage'];

interface Props {
  reading: Reading;
  at: number;
  replace: Replace;
  onRemove: () => void;
}

/** One reading: what homes do for it, when, how often; and what its kind needs. */
export function ReadingCard({ reading: r, at: i, replace, onRemove }: Props) {
  const { doc, set, language, findings } = useEditing();
  const kind = r.kind ?? 'quantity';
  const offers = (r.times ?? []).map(
    (_, k) => findings.find((f) => f.offer && f.path === `/readings/${i}/times/${k}`)?.offer,
  );
  /** A planned time that is written anew stays with the steps that take it. */
  const setTimes = (times: string[]) => {
    const { id, times: before = [] } = r;
    const now = (t: string | undefined) =>
      t !== undefined && before.length === times.length && before.includes(t)
        ? times[before.indexOf(t)]
        : t;
    replace({
      ...doc,
      readings: doc.readings?.map((x, k) => (k === i ? { ...x, times } : x)),
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
  const parts: [Part, string][] = [['condition', say('readingsBand.in-each-condition')]];
  if (doc.objects?.length || r.per?.includes('object'))
    parts.push(['object', say('readingsBand.of-each-object')]);
  if (doc.stages?.length || r.per?.includes('stage'))
    parts.push(['stage', say('readingsBand.at-each-stage')]);
  const setPer = (part: Part, on: boolean) =>
    set(
      ['readings', i, 'per'],
      allParts.filter((p) => (p === part ? on : r.per?.includes(p))),
    );
  return (
    <div className="card-paper">
      <div className="field-row">
        <div className="grows">
          <WordsField
            label={say('readingsBand.what-is-read')}
            path={['readings', i, 'name']}
            value={r.name}
          />
        </div>
        <Labelled id={`kind-${r.id}`} words={say('readingKind.what-homes-do')}>
          <FormSelect
            id={`kind-${r.id}`}
            value={kind}
            onChange={(e) =>
              set(['readings', i], ofKind(r, e.target.value as NonNullable<Reading['kind']>))
            }
          >
            {readingKinds.map(([k, words]) => (
              <option key={k} value={k}>
                {words}
              </option>
            ))}
          </FormSelect>
        </Labelled>
        {isNumber(kind) && (
          <PlainField
            label={say('constantsBand.symbol-in-formulas')}
            path={['readings', i, 'symbol']}
            value={r.symbol}
          />
        )}
        {(kind === 'quantity' || kind === 'event') && (
          <PlainField
            label={say('derivedRow.unit')}
            path={['readings', i, 'unit']}
            value={r.unit}
          />
        )}
        <div>
          <label className="named" htmlFor={`times-${r.id}`}>
            {say('readingsBand.at-the-times')}
          </label>
          <TimesInput
            id={`times-${r.id}`}
            value={r.times ?? []}
            offers={offers}
            onChange={(times) => setTimes(times)}
          />
        </div>
        <div className="flex-none">
          {parts.map(([part, words]) => (
            <span key={part} className="tick me-3">
              <FormCheckInput
                className="m-0"
                id={`per-${part}-${r.id}`}
                checked={r.per?.includes(part) ?? false}
                onChange={(e) => setPer(part, e.target.checked)}
              />
              <label htmlFor={`per-${part}-${r.id}`}>{words}</label>
            </span>
          ))}
          {(doc.trials > 1 || r.trials === 1) && (
            <TickField
              label={say('readingsBand.once-not-in-each-trial')}
              path={['readings', i, 'trials']}
              value={r.trials === 1}
              on={1}
            />
          )}
          <TickField
            label={say('readingsBand.only-deeper')}
            path={['readings', i, 'deeper']}
            value={r.deeper}
          />
        </div>
      </div>
      <ReadingKind reading={r} at={i} />
      <Remove what={r.name[language] || say('readingsBand.this-reading')} onRemove={onRemove} />
    </div>
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
