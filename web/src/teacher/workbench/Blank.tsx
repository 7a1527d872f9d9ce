import { useId } from 'react';
import type { Schemas } from '../../api/client';

/** The core's words as they are spoken: "acid_mass" is "acid mass". */
export const spoken = (words: string) => words.replaceAll('_', ' ');

interface Props {
  input: Schemas['Input'];
  value: string;
  example: string;
  untouched: boolean;
  problem?: Schemas['InputError'];
  onChange: (value: string) => void;
}

/** One blank: it takes what people type, and the server says what it means. */
export function Blank({ input, value, example, untouched, problem, onChange }: Props) {
  const id = useId();
  const help = [input.help && spoken(input.help), measure(input.unit), input.limits && `allowed ${input.limits}`].filter(Boolean).join(', ');
  // Nothing is typed: the example stands greyed in its place; afterwards what is taken when it is left out.
  const instead = untouched ? example : (input.default ?? '');
  const shared = { id, 'aria-describedby': `${id}-help`, 'aria-invalid': problem ? true : undefined };
  if (input.unit === 'flag') {
    return (
      <div className="form-check align-self-center">
        <input {...shared} type="checkbox" className="form-check-input" checked={(value || instead) === 'true'} onChange={(e) => onChange(e.target.checked ? 'true' : 'false')} />
        <label htmlFor={id} className="form-check-label">
          {spoken(input.name)}
        </label>
        <div id={`${id}-help`} className="small hint">
          {help}
        </div>
      </div>
    );
  }
  return (
    <div>
      <label htmlFor={id} className={input.name.length === 1 ? 'named symbol' : 'named'}>
        {spoken(input.name)}
      </label>
      {input.unit === 'choice' ? (
        <select {...shared} className="form-select" value={value || instead} onChange={(e) => onChange(e.target.value)}>
          {!instead && <option value="">choose</option>}
          {input.options?.map((o) => (
            <option key={o} value={o}>
              {o.replaceAll('-', ' ')}
            </option>
          ))}
        </select>
      ) : input.unit.startsWith('list of ') ? (
        <textarea {...shared} rows={2} className="form-control" value={value} placeholder={instead} spellCheck={false} onChange={(e) => onChange(e.target.value)} />
      ) : (
        <input {...shared} className="form-control" value={value} placeholder={instead} autoComplete="off" spellCheck={false} onChange={(e) => onChange(e.target.value)} />
      )}
      <div id={`${id}-help`} className="small">
        <span className="hint">{help}</span>
        {problem && (
          <div role="alert" className="w-mend">
            {problem.input === input.name ? '' : `${ordinal(problem.input)}: `}
            {spoken(problem.message)}
          </div>
        )}
      </div>
    </div>
  );
}

/** "masses[2]" is number 3 of the list. */
const ordinal = (place: string) => `Number ${Number(/\[(\d+)\]$/.exec(place)?.[1] ?? 0) + 1}`;

function measure(unit: string): string {
  const list = unit.startsWith('list of ');
  const one = unit.replace('list of ', '');
  const words = { '1': 'a number', '%': 'a percentage', any: 'a number or amount', text: '', choice: '', flag: '' }[one] ?? `in ${one} or any such unit`;
  return list ? `${words}; write ; between them` : words;
}
