import { useId } from 'react';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { say } from '../words';

/** The core's words as they are spoken: "acid_mass" is "acid mass". */
export const spoken = (words: string) => words.replaceAll('_', ' ');

/** What an input is called beside its blank. */
export const labelOf = (input: Schemas['DescribedInput']) => input.label;

interface Props {
  input: Schemas['DescribedInput'];
  value: string;
  example: string;
  untouched: boolean;
  problem?: Schemas['InputError'];
  onChange: (value: string) => void;
}

/** One blank: it takes what people type, and the server says what it means. */
export function Blank({ input, value, example, untouched, problem, onChange }: Props) {
  const id = useId();
  const help = [
    input.help,
    measure(input),
    input.limits && say('blank.allowed', { limits: input.limits }),
  ]
    .filter(Boolean)
    .join(', ');
  // Nothing is typed: the example stands greyed in its place; afterwards what is taken when it is left out.
  const instead = untouched ? example : (input.default ?? '');
  const shared = {
    id,
    'aria-describedby': `${id}-help`,
    'aria-invalid': problem ? true : undefined,
  };
  const long =
    input.unit.startsWith('list of ') || input.unit === 'objects' || input.unit === 'symbols';
  const wrong = problem && (
    <div role="alert" className="w-mend">
      {problem.input === input.name ? '' : `${ordinal(problem.input)}: `}
      {spoken(problem.message)}
    </div>
  );
  if (input.unit === 'flag') {
    return (
      <div className="align-self-center">
        <FormCheck
          {...shared}
          checked={(value || instead) === 'true'}
          onChange={(e) => onChange(e.target.checked ? 'true' : 'false')}
          label={labelOf(input)}
        />
        <div id={`${id}-help`} className="small hint">
          {help}
        </div>
      </div>
    );
  }
  return (
    <div className={long ? 'wide' : undefined}>
      <label htmlFor={id} className={labelOf(input).length === 1 ? 'named symbol' : 'named'}>
        {input.name === 'wav' ? say('blank.recording') : labelOf(input)}
      </label>
      {input.unit === 'choice' ? (
        <FormSelect {...shared} value={value || instead} onChange={(e) => onChange(e.target.value)}>
          {!instead && <option value="">{say('blank.choose')}</option>}
          {input.options?.map((o) => (
            <option key={o} value={o}>
              {input.option_words?.[o] ?? o}
            </option>
          ))}
        </FormSelect>
      ) : input.unit === 'recording' ? (
        <FormControl
          {...shared}
          type="file"
          accept={input.name === 'wav' ? '.wav,audio/wav' : 'image/jpeg,image/png'}
          onChange={(e) => void asBase64((e.target as HTMLInputElement).files?.[0]).then(onChange)}
        />
      ) : long ? (
        <FormControl
          {...shared}
          rows={2}
          as="textarea"
          value={value}
          placeholder={instead}
          spellCheck={false}
          onChange={(e) => onChange(e.target.value)}
        />
      ) : (
        <FormControl
          {...shared}
          value={value}
          placeholder={instead}
          autoComplete="off"
          spellCheck={false}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
      <div id={`${id}-help`} className="small">
        <span className="hint">{help}</span>
        {wrong}
      </div>
    </div>
  );
}

/** "masses[2]" is number 3 of the list. */
const ordinal = (place: string) =>
  say('blank.number', { value: Number(/\[(\d+)\]$/.exec(place)?.[1] ?? 0) + 1 });

function measure(input: Schemas['DescribedInput']): string {
  if (input.unit === 'symbols') return say('blank.one-a-line-such-as-before');
  if (input.unit === 'objects')
    return say('blank.such-as-write-between-them', { form: input.form });
  const list = input.unit.startsWith('list of ');
  const one = input.unit.replace('list of ', '');
  const words =
    {
      '1': say('questionRow.a-number'),
      '%': say('blank.a-percentage'),
      any: say('blank.a-number-or-amount'),
      text: '',
      choice: '',
      flag: '',
      recording: '',
    }[one] ?? say('blank.in-or-any-such-unit', { one });
  return list ? say('blank.write-between-them', { words }) : words;
}

async function asBase64(file: File | undefined): Promise<string> {
  if (!file) return '';
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('unreadable'));
    reader.readAsDataURL(file);
  });
  return url.slice(url.indexOf(',') + 1);
}
