import type { TFunction } from 'i18next';
import { useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { squareOf } from '../../ui/Ground';
import { JarPicture } from '../../ui/JarPicture';
import type { Entry, LocalEntry } from '../phone/db';
import { useWords } from '../words';
import { left } from '../parts/time';
import { useRemembered } from '../phone/useRemembered';
import { CountField, type KeptField } from './CountField';
import { EventField } from './EventField';
import { OrderField } from './OrderField';
import { PairsField } from './PairsField';
import { SlotFrame, useSlot, type SlotProps } from './SlotFrame';
import { PositionField } from './PositionField';
import { TextField } from './TextField';
import { WordsField } from './WordsField';
import { ZonesField } from './ZonesField';

export type Given = NonNullable<Entry['value']>;
type Reading = SlotProps['reading'];

/** A given value in the words of its choices, in the language the page is in now. */
export function givenWords(t: TFunction, reading: Reading, given: Given | undefined): string {
  const word = (id: string) => reading.choices.find((c) => c.id === id)?.word ?? id;
  const beside = [
    given?.escaped ? t('rolledAway', { n: given.escaped }) : '',
    given?.undecided ? t('cannotSay', { n: given.undecided }) : '',
  ];
  const joined = (words: string[], by = ', ') => words.filter(Boolean).join(by);
  if (given?.count !== undefined) {
    const of = given.of || reading.of;
    return joined([of ? t('countOf', { n: given.count, of }) : String(given.count), ...beside]);
  }
  if (given?.counts)
    return joined([
      reading.choices.map((z) => `${z.word} ${given.counts![z.id] ?? 0}`).join(' · '),
      ...beside,
    ]);
  if (given?.at !== undefined) return left(given.at * 1000);
  if (given?.not_by !== undefined) return t('notBy', { time: left(given.not_by * 1000) });
  if (given?.between)
    return t('seenBetween', {
      from: left(given.between[0] * 1000),
      to: left(given.between[1] * 1000),
    });
  if (given?.x !== undefined && given.y !== undefined) return squareOf({ x: given.x, y: given.y });
  if (given?.order) {
    const order = given.order.map((place) => place.map(word).join(' = ')).join(' > ');
    const never = (given.did_not_happen ?? []).map(word).join(', ');
    return joined([order, never && t('didNotHappen', { what: never })], '; ');
  }
  if (given?.pairs) return t('pairOf', { n: given.pairs.length, all: given.pairs.length });
  if (given?.words)
    return joined([
      ...Object.values(given.words).flat().map(word),
      ...Object.values(given.own ?? {})
        .flat()
        .map((text) => t('quoted', { text })),
    ]);
  if (given?.text) return t('quoted', { text: given.text });
  return joined(
    [given?.level, given?.answer, ...(given?.chosen ?? [])].map((id) => word(id ?? '')),
  );
}

/** The one choice of a value, if its kind has one. */
const chosen = (given: Given | undefined) => given?.level ?? given?.answer ?? given?.chosen?.[0];

/** The value of a kind by the id that was chosen. */
const byKind: Record<string, (id: string) => Given> = {
  ordinal: (id) => ({ level: id }),
  'yes-partly-no': (id) => ({ answer: id as Given['answer'] }),
  choice: (id) => ({ chosen: [id] }),
};

/** The fields of what is not kept by one tap. */
const fields: Partial<Record<Reading['kind'], (field: KeptField) => ReactNode>> = {
  count: CountField,
  order: OrderField,
  'stage-order': OrderField,
  zones: ZonesField,
  position: PositionField,
  several: WordsField,
  words: WordsField,
  text: TextField,
};

/** One reading that is no quantity: a level, an answer, an option, a count, things in order, words, a moment. */
export function GivenField(props: SlotProps) {
  const t = useWords();
  const { reading, typing, state } = props;
  const at = useSlot(props);
  const { present } = at;
  const [changing, setChanging] = useState(false);
  const began = useBegan(props);
  const said = (e: LocalEntry) =>
    e.entry.value ? givenWords(t, reading, e.entry.value) : (e.entry.typed ?? '');
  const put = async (value: Given) => {
    if (JSON.stringify(value) !== JSON.stringify(present?.entry.value)) await at.put({ value });
    setChanging(false);
  };
  const one = byKind[reading.kind];
  const Field = reading.pairs ? PairsField : fields[reading.kind];
  const field = { id: at.id, draft: at.draft, reading, typing, state, first: present?.entry.value };
  const messages = present?.answer?.messages ?? [];
  const writing = !present || changing;
  return (
    <SlotFrame {...props} at={at} said={said} writing={changing}>
      {one && <OneOf {...field} onChoose={(id) => void put(one(id))} />}
      {!one && !writing && (
        <p className="m-0" aria-live="polite">
          {t('kept', { value: said(present) })}{' '}
          <Button variant="plain" onClick={() => setChanging(true)}>
            {t('change')}
          </Button>
        </p>
      )}
      {Field && writing && <Field {...field} onKeep={put} />}
      {reading.kind === 'event' && writing && began !== undefined && (
        <EventField {...props} id={at.id} began={began} onKeep={put} />
      )}
      {present &&
        messages.map((m) => (
          <p key={m} className="doubt">
            {m}
          </p>
        ))}
    </SlotFrame>
  );
}

/** When a step's clock started, in the server's time: at the end of the step it waits for, or of the one before; of the first when it was opened. */
function useBegan({ state, sheet, book, step }: SlotProps): number | undefined {
  const at = sheet.steps.findIndex((s) => s.id === step.id);
  const from = book.done(step.wait?.from ?? sheet.steps[at - 1]?.id ?? '');
  const [opened, setOpened] = useRemembered<number>(state, `opened/${sheet.assignment}/${step.id}`);
  const first = useEffectEvent(() => {
    if (!from && opened === undefined) setOpened(Date.now() + state.offset);
  });
  useEffect(() => first(), []);
  if (!from) return opened;
  return new Date(from.entry.phone_time).getTime() + from.entry.offset_ms;
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
