import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import type { Schemas } from '../../api/client';

/** A line of text of a thing's entry. */
export function Text({
  label,
  id,
  value,
  set,
  hint,
}: {
  label: string;
  id: string;
  value: string;
  set: (v: string) => void;
  hint?: string;
}) {
  return (
    <>
      <label className="named" htmlFor={id}>
        {label}
      </label>
      <FormControl
        id={id}
        value={value}
        placeholder={hint}
        maxLength={200}
        onChange={(e) => set(e.target.value)}
      />
    </>
  );
}

/** Which of a list a thing has. */
export function Ticks({
  legend,
  list,
  on,
  toggle,
}: {
  legend: string;
  list: Schemas['OptionRow'][];
  on: string[];
  toggle: (v: string) => void;
}) {
  return (
    <fieldset className="my-2">
      <legend className="named small m-0">{legend}</legend>
      {list.map(({ id: v, text }) => (
        <span key={v} className="tick me-3">
          <FormCheckInput
            className="m-0 flex-none"
            id={`own-${legend}-${v}`}
            checked={on.includes(v)}
            onChange={() => toggle(v)}
          />
          <label htmlFor={`own-${legend}-${v}`} className="small">
            {text}
          </label>
        </span>
      ))}
    </fieldset>
  );
}
