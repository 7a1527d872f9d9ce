import { useId, useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { useWords } from '../words';

type Answers = Schemas['Fields'];
type Span = Schemas['HourSpan'];

interface Props {
  answers: Answers;
  onSay: (answers: Answers) => void;
}

/** What a home can measure once, if it likes; what it typed is said back as it is worked with. */
export function OwnValues({ rows, answers, onSay }: Props & { rows: Schemas['OwnRow'][] }) {
  const t = useWords();
  if (rows.length === 0) return null;
  return (
    <>
      <h2>{t('ownValues')}</h2>
      <p className="second">{t('ownValuesWhy')}</p>
      {rows.map((row) => (
        <OwnValue
          key={row.id}
          row={row}
          said={answers.own?.[row.id]}
          onSay={(typed) => {
            const own = { ...answers.own };
            if (typed) own[row.id] = typed;
            else delete own[row.id];
            onSay({ ...answers, own });
          }}
        />
      ))}
    </>
  );
}

function OwnValue({
  row,
  said,
  onSay,
}: {
  row: Schemas['OwnRow'];
  said: string | undefined;
  onSay: (typed: string) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const value = typed ?? said ?? '';
  const id = `own-${row.id}`;
  return (
    <div className="card-paper">
      <label className="larger fw-bold" htmlFor={id}>
        {row.name}
      </label>
      <p className="second m-0" id={`${id}-how`}>
        {row.how}
      </p>
      <div className="value-row">
        <FormControl
          id={id}
          autoComplete="off"
          inputMode="decimal"
          maxLength={80}
          value={value}
          aria-describedby={`${id}-how`}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={() => typed !== undefined && typed.trim() !== (said ?? '') && onSay(typed.trim())}
        />
        <span className="unit">{row.unit}</span>
      </div>
      <p className={row.problem ? 'doubt' : 'm-0'} aria-live="polite">
        {typed === undefined || typed.trim() === said ? (row.problem ?? row.says) : null}
      </p>
    </div>
  );
}

const hours = Array.from({ length: 25 }, (_, h) => h);

/** When the home can work and when an adult is in; left alone it is as in a usual home. */
export function OurHours({ answers, onSay }: Props) {
  const t = useWords();
  const rows: ['home' | 'weekdays' | 'weekend', string][] = [
    ['home', t('weWork')],
    ['weekdays', t('adultWeekdays')],
    ['weekend', t('adultWeekend')],
  ];
  return (
    <>
      <h2>{t('ourHours')}</h2>
      <p className="second">{t('onlyTeacherSees')}</p>
      <div className="card-paper">
        {rows.map(([key, what]) => (
          <Hours
            key={key}
            what={what}
            span={answers.hours?.[key]}
            onSay={(span) => onSay({ ...answers, hours: { ...answers.hours, [key]: span } })}
          />
        ))}
      </div>
    </>
  );
}

function Hours({
  what,
  span,
  onSay,
}: {
  what: string;
  span: Span | undefined;
  onSay: (span: Span | undefined) => void;
}) {
  const t = useWords();
  const id = useId();
  const clock = (h: number) => `${h}:00`;
  return (
    <fieldset className="field">
      <legend className="usual">{what}</legend>
      <div className="value-row">
        <label className="visually-hidden" htmlFor={`${id}-from`}>
          {t('hourFrom', { what })}
        </label>
        <FormSelect
          id={`${id}-from`}
          value={span?.from ?? ''}
          onChange={(e) => {
            if (e.target.value === '') return onSay(undefined);
            const from = Number(e.target.value);
            onSay({ from, to: Math.max(span?.to ?? 24, from + 1) });
          }}
        >
          <option value="">{t('anyTime')}</option>
          {hours.slice(0, -1).map((h) => (
            <option key={h} value={h}>
              {clock(h)}
            </option>
          ))}
        </FormSelect>
        {span && (
          <>
            <label className="visually-hidden" htmlFor={`${id}-to`}>
              {t('hourTo', { what })}
            </label>
            <FormSelect
              id={`${id}-to`}
              value={span.to}
              onChange={(e) => onSay({ from: span.from, to: Number(e.target.value) })}
            >
              {hours.slice(span.from + 1).map((h) => (
                <option key={h} value={h}>
                  {clock(h)}
                </option>
              ))}
            </FormSelect>
          </>
        )}
      </div>
    </fieldset>
  );
}
