import { useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { say } from '../words';
import type { Results } from './useResults';

type Reading = Results['readings'][number];
export type Given = NonNullable<Schemas['EntryFields']['value']>;

/** What is given by choosing one id of a kind. */
const one: Record<string, (id: string) => Given> = {
  ordinal: (id) => ({ level: id }),
  'yes-partly-no': (id) => ({ answer: id as Given['answer'] }),
  choice: (id) => ({ chosen: [id] }),
};

/** Whether a reading is given by choosing; numbers are typed, and what homes saw for themselves is theirs. */
export const givable = (r: Reading | undefined) =>
  r !== undefined && (r.kind in one || r.kind === 'order');

/** What only who was there can say: where they were, by which words, in words of their own. */
export const seenAtHome = (r: Reading | undefined) =>
  ['zones', 'words', 'several', 'position', 'text'].includes(r?.kind ?? '');

interface Props {
  id: string;
  reading: Reading;
  /** What is there already, in words. */
  now?: string;
  onGive: (value: Given) => void;
}

/** The teacher's way to give a reading that is no number: a choice, or for an order one for each place. */
export function GivenSelect({ id, reading, now, onGive }: Props) {
  const [order, setOrder] = useState<string[]>([]);
  const pick = one[reading.kind];
  const options = (taken: string[]) =>
    reading.choices
      .filter((c) => !taken.includes(c.id))
      .map((c) => (
        <option key={c.id} value={c.id}>
          {c.word}
        </option>
      ));
  if (pick)
    return (
      <FormSelect
        id={id}
        className="w-auto"
        defaultValue=""
        onChange={(e) => e.target.value && onGive(pick(e.target.value))}
      >
        <option value="">{now ?? '–'}</option>
        {options([])}
      </FormSelect>
    );
  const put = (place: number, thing: string) => {
    const next = [...order.slice(0, place), thing].filter(Boolean);
    setOrder(next);
    if (next.length === reading.choices.length) onGive({ order: next.map((t) => [t]) });
  };
  return (
    <span className="d-flex gap-1">
      {reading.choices.slice(0, order.length + 1).map((c, place) => (
        <FormSelect
          key={c.id}
          id={place === 0 ? id : undefined}
          aria-label={say('givenSelect.place', { n: place + 1 })}
          className="w-auto"
          value={order[place] ?? ''}
          onChange={(e) => put(place, e.target.value)}
        >
          <option value="">{place === 0 && now ? now : '–'}</option>
          {options(order.filter((_, i) => i < place))}
        </FormSelect>
      ))}
    </span>
  );
}
