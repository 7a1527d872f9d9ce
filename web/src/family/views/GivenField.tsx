import type { TFunction } from 'i18next';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { JarPicture } from '../../ui/JarPicture';
import type { Entry, LocalEntry } from '../phone/db';
import { useWords } from '../words';
import { CountField } from './CountField';
import { OrderField } from './OrderField';
import { SlotFrame, useSlot, type SlotProps } from './SlotFrame';

export type Given = NonNullable<Entry['value']>;
type Reading = SlotProps['reading'];

/** A given value in the words of its choices, in the language the page is in now. */
export function givenWords(t: TFunction, reading: Reading, given: Given | undefined): string {
  const word = (id: string) => reading.choices.find((c) => c.id === id)?.word ?? id;
  if (given?.count !== undefined) {
    const of = given.of || reading.of;
    return [
      of ? t('countOf', { n: given.count, of }) : String(given.count),
      given.escaped ? t('rolledAway', { n: given.escaped }) : '',
      given.undecided ? t('cannotSay', { n: given.undecided }) : '',
    ]
      .filter(Boolean)
      .join(', ');
  }
  if (given?.order) return given.order.map((place) => place.map(word).join(' = ')).join(' > ');
  return word(given?.level ?? given?.answer ?? given?.chosen?.[0] ?? '');
}

/** The one choice of a value, if its kind has one. */
const chosen = (given: Given | undefined) => given?.level ?? given?.answer ?? given?.chosen?.[0];

/** The value of a kind by the id that was chosen. */
const byKind: Record<string, (id: string) => Given> = {
  ordinal: (id) => ({ level: id }),
  'yes-partly-no': (id) => ({ answer: id as Given['answer'] }),
  choice: (id) => ({ chosen: [id] }),
};

/** One reading that is no quantity: a level, an answer, an option, a count, things in order. */
export function GivenField(props: SlotProps) {
  const t = useWords();
  const { reading, typing, state } = props;
  const at = useSlot(props);
  const { present } = at;
  const [changing, setChanging] = useState(false);
  const said = (e: LocalEntry) =>
    e.entry.value ? givenWords(t, reading, e.entry.value) : (e.entry.typed ?? '');
  const put = async (value: Given) => {
    if (JSON.stringify(value) !== JSON.stringify(present?.entry.value)) await at.put({ value });
    setChanging(false);
  };
  const one = byKind[reading.kind];
  const field = { id: at.id, draft: at.draft, reading, typing, state, first: present?.entry.value };
  const messages = present?.answer?.messages ?? [];
  return (
    <SlotFrame {...props} at={at} said={said} writing={changing}>
      {one && <OneOf {...field} onChoose={(id) => void put(one(id))} />}
      {!one && present && !changing && (
        <p className="m-0" aria-live="polite">
          {t('kept', { value: said(present) })}{' '}
          <Button variant="plain" onClick={() => setChanging(true)}>
            {t('change')}
          </Button>
        </p>
      )}
      {!one &&
        (!present || changing) &&
        (reading.kind === 'count' ? (
          <CountField {...field} onKeep={put} />
        ) : (
          <OrderField {...field} onKeep={put} />
        ))}
      {present &&
        messages.map((m) => (
          <p key={m} className="doubt">
            {m}
          </p>
        ))}
    </SlotFrame>
  );
}

/** Levels, answers or options, of which one tap keeps one; another tap corrects it. */
function OneOf({
  id,
  reading,
  first,
  onChoose,
}: {
  id: string;
  reading: Reading;
  first: Given | undefined;
  onChoose: (id: string) => void;
}) {
  return (
    <div className="choices">
      {reading.partly && <p className="hint">{reading.partly}</p>}
      {reading.choices.map((c) => (
        <label key={c.id} className={`choice ${chosen(first) === c.id ? 'chosen' : ''}`}>
          <FormCheckInput
            type="radio"
            className="visually-hidden"
            name={id}
            checked={chosen(first) === c.id}
            onChange={() => onChoose(c.id)}
          />
          {c.picture && <JarPicture picture={c.picture} />}
          {c.word}
        </label>
      ))}
    </div>
  );
}
