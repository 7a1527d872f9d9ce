import { createContext, useContext, useEffect, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import type { Doc, Localized } from './document';
import { say } from '../words';

interface Editing {
  doc: Doc;
  /** The id of the experiment. */
  experiment: string;
  set: (path: (string | number)[], value: unknown, words?: string) => void;
  /** The language whose texts are being written. */
  language: string;
  /** What the server found at places of the document, by JSON Pointer. */
  findings: Schemas['FindingView'][];
  frozen?: boolean;
}

export const EditingContext = createContext<Editing | undefined>(undefined);
export const useEditing = () => useContext(EditingContext)!;

const idOf = (path: (string | number)[]) => 'f-' + path.join('-');

const Elsewhere = createContext('');

/** Fields of places that may stand on the page already: their ids begin with a word of their own. */
export function FieldsElsewhere({ name, children }: { name: string; children: ReactNode }) {
  return <Elsewhere value={`${name}-`}>{children}</Elsewhere>;
}

/** The id of the field of a place. */
const useFieldId = (path: (string | number)[]) => useContext(Elsewhere) + idOf(path);

/** Goes to the field of a place of the document, by its JSON Pointer, or to the first one within it. */
export function useGoTo(at: string) {
  useEffect(() => {
    if (!at.startsWith('/')) return;
    const id = idOf(at.slice(1).split('/'));
    const field =
      document.getElementById(id) ??
      document.querySelector<HTMLElement>(`[id^="${CSS.escape(id)}-"]`);
    field?.focus();
  }, [at]);
}

/** How many signs a field shows where it is as wide as what is in it. */
const room = (words: string) => Math.max(6, Math.min(56, words.length + 1));

/** A text that families read, in the language chosen above; the other language stands as a hint. */
export function WordsField({
  label,
  path,
  value,
  lines,
  hideLabel,
}: {
  label: string;
  path: (string | number)[];
  value: Localized | undefined;
  lines?: number;
  hideLabel?: boolean;
}) {
  const { set, language } = useEditing();
  const id = useFieldId(path);
  const other = Object.entries(value ?? {}).find(([l, s]) => l !== language && s)?.[1];
  const words = value?.[language] ?? '';
  const placeholder = other ? say('fields.not-yet-in-this-language', { other }) : undefined;
  const props = {
    id,
    className: 'form-control',
    value: words,
    placeholder,
    maxLength: lines ? 1200 : 200,
    onChange: (e: { target: { value: string } }) =>
      set(path, { ...value, [language]: e.target.value }),
  };
  return (
    <div>
      <label className={hideLabel ? 'visually-hidden' : 'named'} htmlFor={id}>
        {label}
      </label>
      {lines ? (
        <textarea rows={lines} {...props} />
      ) : (
        <input size={room(words || (placeholder ?? ''))} {...props} />
      )}
    </div>
  );
}

export function PlainField({
  label,
  path,
  value,
  hint,
  hideLabel,
}: {
  label: string;
  path: (string | number)[];
  value: string | undefined;
  hint?: string;
  hideLabel?: boolean;
}) {
  const { set } = useEditing();
  const id = useFieldId(path);
  return (
    <div>
      <label className={hideLabel ? 'visually-hidden' : 'named'} htmlFor={id}>
        {label}
      </label>
      <FormControl
        id={id}
        value={value ?? ''}
        placeholder={hint}
        htmlSize={room(value || (hint ?? ''))}
        maxLength={200}
        onChange={(e) => set(path, e.target.value)}
      />
      <FieldNote path={path} field={id} />
    </div>
  );
}

/** What was found at a field and can be mended with one press, such as a time without a unit. */
export function FieldNote({ path, field }: { path: (string | number)[]; field: string }) {
  const { findings, set } = useEditing();
  const f = findings.find((x) => x.offer && x.path === '/' + path.join('/'));
  if (!f) return null;
  return (
    <p className="small w-mend m-0" role="status">
      {f.message}{' '}
      <Button
        variant="plain"
        onClick={() => {
          set(path, f.offer);
          document.getElementById(field)?.focus();
        }}
      >
        {say('fields.take', { offer: f.offer })}
      </Button>
    </p>
  );
}

export function ChoiceField({
  label,
  path,
  value,
  options,
  hideLabel,
  onPick,
}: {
  label: string;
  path: (string | number)[];
  value: string | undefined;
  options: [string, string][];
  hideLabel?: boolean;
  /** Where what is written is not the option itself. */
  onPick?: (option: string) => void;
}) {
  const { set } = useEditing();
  const id = useFieldId(path);
  return (
    <div>
      <label className={hideLabel ? 'visually-hidden' : 'named'} htmlFor={id}>
        {label}
      </label>
      <FormSelect
        id={id}
        value={value ?? ''}
        onChange={(e) => (onPick ? onPick(e.target.value) : set(path, e.target.value))}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </FormSelect>
    </div>
  );
}

/** A tick; `on` is what is written where it is ticked, if that is not true. */
export function TickField({
  label,
  path,
  value,
  on,
}: {
  label: string;
  path: (string | number)[];
  value: boolean | undefined;
  on?: unknown;
}) {
  const { set } = useEditing();
  const id = useFieldId(path);
  return (
    <span className="tick">
      <FormCheckInput
        className="m-0"
        id={id}
        checked={value ?? false}
        onChange={(e) =>
          set(path, on === undefined ? e.target.checked : e.target.checked ? on : undefined)
        }
      />
      <label htmlFor={id}>{label}</label>
    </span>
  );
}

/** Ticks of ids in a list, such as the needs a step uses. */
export function TickList({
  legend,
  path,
  value,
  options,
  setter,
}: {
  legend: string;
  path: (string | number)[];
  value: string[] | undefined;
  options: [string, string][];
  setter?: (path: (string | number)[], value: unknown) => void;
}) {
  const editing = useEditing();
  const field = useFieldId(path);
  const set = setter ?? editing.set;
  return (
    <fieldset className="mb-2">
      <legend className="named small m-0">{legend}</legend>
      {options.length === 0 && <span className="hint small">{say('plan.none-yet')}</span>}
      {options.map(([id, words]) => {
        const on = value?.includes(id) ?? false;
        const key = `${field}-${id}`;
        return (
          <span key={id} className="tick me-3">
            <FormCheckInput
              className="m-0 flex-none"
              id={key}
              checked={on}
              onChange={() =>
                set(path, on ? value!.filter((x) => x !== id) : [...(value ?? []), id])
              }
            />
            <label htmlFor={key} className="small">
              {words}
            </label>
          </span>
        );
      })}
    </fieldset>
  );
}

export function Band({
  title,
  children,
  aside,
}: {
  title: string;
  children: ReactNode;
  aside?: ReactNode;
}) {
  return (
    <section className="band" aria-label={title}>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h2 className="flex-fill">{title}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

/** Takes something out; in a line of blanks it is a sign only. */
export function Remove({
  what,
  sign,
  onRemove,
}: {
  what: string;
  sign?: boolean;
  onRemove: () => void;
}) {
  return (
    <Button
      variant="plain"
      className="small"
      onClick={onRemove}
      aria-label={say('fields.take-out', { what })}
    >
      {sign ? '✕' : say('fields.take-out-2')}
    </Button>
  );
}
