import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { freshID, type Reading } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { say } from '../words';
import { PlainField, Remove, TickField, useEditing, WordsField } from './fields';

interface Props {
  reading: Reading;
  at: number;
  replace: Replace;
  onRemove: () => void;
}

/** One reading: what is read, when, within which limits, with which tools. */
export function ReadingCard({ reading: r, at: i, replace, onRemove }: Props) {
  const { doc, set, language, findings } = useEditing();
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
        <PlainField
          label={say('constantsBand.symbol-in-formulas')}
          path={['readings', i, 'symbol']}
          value={r.symbol}
        />
        <PlainField label={say('derivedRow.unit')} path={['readings', i, 'unit']} value={r.unit} />
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
        <ToolRow key={tool.id} reading={r} at={i} tool={tool} place={k} />
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
      <Remove what={r.name[language] || say('readingsBand.this-reading')} onRemove={onRemove} />
    </div>
  );
}

/** One tool of a reading, and how finely it shows. */
function ToolRow({
  reading: r,
  at: i,
  tool,
  place: k,
}: {
  reading: Reading;
  at: number;
  tool: NonNullable<Reading['instruments']>[number];
  place: number;
}) {
  const { set } = useEditing();
  return (
    <div className="field-row mb-1">
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
