import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { say } from '../words';

type Answers = Schemas['Fields'];
type Span = Schemas['HourSpan'];

interface Props {
  answers: Answers;
  onSave: (answers: Answers) => void;
}

/** What a home measured once, as it was typed. */
export function KitchenOwn({ rows, answers, onSave }: Props & { rows: Schemas['OwnRow'][] }) {
  if (rows.length === 0) return null;
  const put = (id: string, typed: string) => {
    if (typed === (answers.own?.[id] ?? '')) return;
    const own = { ...answers.own };
    if (typed) own[id] = typed;
    else delete own[id];
    onSave({ ...answers, own });
  };
  return (
    <>
      <h3>{say('kitchens.own-values')}</h3>
      {rows.map((row) => (
        <div key={row.id} className="field-row">
          <label className="grows" htmlFor={`own-${row.id}`} title={row.how}>
            {row.name} ({row.unit})
          </label>
          <div className="field-150">
            <FormControl
              id={`own-${row.id}`}
              key={answers.own?.[row.id]}
              defaultValue={answers.own?.[row.id] ?? ''}
              maxLength={80}
              onBlur={(e) => put(row.id, e.target.value.trim())}
            />
          </div>
        </div>
      ))}
    </>
  );
}

const rows = ['home', 'weekdays', 'weekend'] as const;
const hours = Array.from({ length: 25 }, (_, h) => h);

/** When a home works and when an adult is in, in whole hours. */
export function KitchenHours({ answers, onSave }: Props) {
  const put = (key: (typeof rows)[number], span: Span | undefined) =>
    onSave({ ...answers, hours: { ...answers.hours, [key]: span } });
  return (
    <>
      <h3>{say('kitchens.hours')}</h3>
      {rows.map((key) => {
        const span = answers.hours?.[key];
        const what = say(`kitchens.hours.${key}`);
        return (
          <div key={key} className="field-row">
            <span className="grows">{what}</span>
            <div className="field-150 d-flex gap-1">
              <FormSelect
                aria-label={say('kitchens.hours.from', { what })}
                value={span?.from ?? ''}
                onChange={(e) => {
                  const from = Number(e.target.value);
                  put(
                    key,
                    e.target.value === ''
                      ? undefined
                      : { from, to: Math.max(span?.to ?? 24, from + 1) },
                  );
                }}
              >
                <option value="">{say('kitchens.hours.usual')}</option>
                {hours.slice(0, -1).map((h) => (
                  <option key={h} value={h}>
                    {h}:00
                  </option>
                ))}
              </FormSelect>
              {span && (
                <FormSelect
                  aria-label={say('kitchens.hours.to', { what })}
                  value={span.to}
                  onChange={(e) => put(key, { from: span.from, to: Number(e.target.value) })}
                >
                  {hours.slice(span.from + 1).map((h) => (
                    <option key={h} value={h}>
                      {h}:00
                    </option>
                  ))}
                </FormSelect>
              )}
            </div>
          </div>
        );
      })}
    </>
  );
}
