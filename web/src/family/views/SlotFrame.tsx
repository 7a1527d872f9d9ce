import type { TFunction } from 'i18next';
import { useId, useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { byTime, slotKey, type Book, type Slot } from '../phone/book';
import type { LocalEntry } from '../phone/db';
import type { Sheet } from '../phone/useHome';
import type { Typing } from '../phone/typing';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

/** What every field of a reading gets: its slot, its reading, the step it stands in. */
export interface SlotProps extends WorkProps {
  slot: Slot;
  reading: Sheet['readings'][number];
  instrument: string;
  step: Sheet['steps'][number];
  typing: Typing;
}

/** A slot as this phone knows it, and what writes into it; a later value names the one it corrects. */
export function useSlot({ state, sheet, book, slot, step, instrument }: SlotProps) {
  const taken = book.present(slot);
  const notRead = book.notRead(slot);
  const present = taken && notRead && byTime(taken, notRead) < 0 ? undefined : taken; // what was said last stands
  const of = {
    step: step.id,
    reading: slot.reading,
    condition: slot.condition,
    object: slot.object,
    time: slot.time,
    trial: slot.trial,
    stage: slot.stage,
  };
  return {
    id: `reading-${slotKey(slot)}`,
    /** Under which a half-written value is remembered. */
    draft: `typed/${sheet.assignment}/${slotKey(slot)}`,
    present,
    notRead,
    put: (value: Pick<LocalEntry['entry'], 'typed' | 'value'>) =>
      state.add(sheet.assignment, {
        kind: 'reading',
        ...of,
        ...value,
        ...(value.typed !== undefined && { instrument }),
        ...(present && { refers: present.id, reason: '' }),
      }),
    spoil: (reason: string) =>
      present &&
      void state.add(sheet.assignment, {
        kind: 'spoiled',
        step: step.id,
        refers: present.id,
        reason,
      }),
    skip: (reason: string) => void state.add(sheet.assignment, { kind: 'not-read', ...of, reason }),
  };
}

/** What an object is called: by the home, or until then by the design. */
export const calledHere = (sheet: Sheet, book: Book, object: string | undefined) =>
  object && (book.called(object) || sheet.objects?.find((o) => o.id === object)?.name || object);

/** What tells a slot from the others of its step: condition, stage, reading, time, trial; an object has a card of its own. */
export function slotLabel(t: TFunction, { sheet, step, slot, reading }: SlotProps) {
  const condition = sheet.conditions.find((c) => c.id === slot.condition);
  const stage = sheet.stages?.find((s) => s.id === slot.stage);
  const several = step.takes.some((s) => s.reading !== slot.reading);
  const apart = step.takes.some(
    (s) => s.reading === slot.reading && (s.time ?? '') !== (slot.time ?? ''),
  );
  return [
    condition?.name,
    stage?.word,
    (several || !(condition || stage)) && reading.name,
    apart && slot.time,
    reading.trials > 1 ? t('try', { n: slot.trial, all: reading.trials }) : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

interface Props extends SlotProps {
  at: ReturnType<typeof useSlot>;
  /** What the label is of; without, the slot is a group that it names. */
  labels?: string;
  /** What was given, in words. */
  said: (e: LocalEntry) => string;
  /** A value is being written just now. */
  writing: boolean;
  /** Set from outside where the field itself asks why there is no value. */
  asks?: boolean;
  onAsked?: () => void;
  children: ReactNode;
}

/** The frame of a reading: its label, spoiled tries, what the teacher wrote, and the ways to say that it was spoiled or not read. */
export function SlotFrame({ at, labels, said, writing, asks, onAsked, children, ...props }: Props) {
  const t = useWords();
  const { book, slot } = props;
  const { id, present, notRead } = at;
  const [asking, setAsking] = useState<'spoiled' | 'not-read'>();
  const desk = present && book.desk(present.id);
  const spoiled = book.readings(slot).filter((e) => book.spoiled(e.id));
  const label = slotLabel(t, props);
  const open = asks ? 'not-read' : asking;
  const close = () => (setAsking(undefined), onAsked?.());
  const body = (
    <>
      {spoiled.map((e) => (
        <p key={e.id} className="second mt-0 mb-2">
          <s>{said(e)}</s>{' '}
          {t('spoiledKept', { reason: because(t, book.spoiled(e.id)!.entry.reason) })}
        </p>
      ))}
      {children}
      {present && !writing && <Before {...props} said={said} />}
      {desk && (
        <p className="doubt">
          {desk.entry.kind === 'asked'
            ? t('teacherAsks', { text: desk.entry.text })
            : t('teacherAside', { reason: desk.entry.reason })}
        </p>
      )}
      {!present && notRead && (
        <p className="second">
          {t('notRead')}: {because(t, notRead.entry.reason)}
        </p>
      )}
      {open === 'spoiled' && (
        <Reasons
          title={t('spoiledWhy')}
          reasons={['slid', 'spilled', 'touched', 'too-early-or-late', 'knocked']}
          onPick={(reason) => (at.spoil(reason), close())}
        />
      )}
      {open === 'not-read' && (
        <Reasons
          title={t('notReadWhy')}
          reasons={whyNot[props.reading.kind] ?? usual}
          onPick={(reason) => (at.skip(reason), close())}
        />
      )}
      {!open && (
        <p className="fine mt-1 mb-0">
          {present && !writing && (
            <Button variant="plain" onClick={() => setAsking('spoiled')}>
              {t('spoiledTry')}
            </Button>
          )}
          {!present && !notRead && (
            <Button variant="plain" onClick={() => setAsking('not-read')}>
              {t('notRead')}
            </Button>
          )}
        </p>
      )}
    </>
  );
  if (!labels)
    return (
      <fieldset className="slot" data-testid={id}>
        <legend className="slot-name">{label}</legend>
        {body}
      </fieldset>
    );
  return (
    <div className="slot" data-testid={id}>
      <label htmlFor={labels} className="slot-name">
        {label}
      </label>
      {body}
    </div>
  );
}

/** What was read of the same thing before: shown once the new value is there, so that the first does not lead the second. */
function Before({
  sheet,
  book,
  slot,
  said,
}: Pick<SlotProps, 'sheet' | 'book' | 'slot'> & Pick<Props, 'said'>) {
  const t = useWords();
  const before = book.before(sheet.steps, slot);
  if (!before) return null;
  const stage = sheet.stages?.find((s) => s.id === before.slot.stage)?.word;
  return (
    <p className="second fine m-0">
      {t('readBefore', {
        when: [stage, before.slot.time].filter(Boolean).join(', '),
        value: said(before.entry),
      })}
    </p>
  );
}

const usual = ['forgot', 'no-tool', 'too-dark', 'broke', 'cannot-read'];
const whyNot: Partial<Record<SlotProps['reading']['kind'], string[]>> = {
  zones: ['not-looked', 'too-dark', 'cannot-read'],
  order: ['forgot', 'cannot-hear', 'broke', 'cannot-read'],
  'stage-order': ['forgot', 'not-looked', 'broke', 'cannot-read'],
  choice: ['forgot', 'cannot-hear', 'too-dark', 'cannot-read'],
  words: ['forgot', 'cannot-smell', 'too-dark', 'cannot-read'],
  event: ['forgot', 'not-looked', 'broke', 'cannot-read'],
  position: ['forgot', 'too-dark', 'not-looked', 'broke'],
};

/** A reason is kept as its code; words are somebody's own. */
const because = (t: TFunction, reason = '') => t(`reason.${reason}`, { defaultValue: reason });

function Reasons({
  title,
  reasons,
  onPick,
}: {
  title: string;
  reasons: string[];
  onPick: (reason: string) => void;
}) {
  const t = useWords();
  const id = useId();
  const [own, setOwn] = useState('');
  return (
    <div role="group" aria-label={title} className="mt-2">
      <p className="mt-0 mb-2">{title}</p>
      {reasons.map((r) => (
        <button key={r} type="button" className="choice tall" onClick={() => onPick(r)}>
          {t(`reason.${r}`)}
        </button>
      ))}
      <form
        className="value-row mt-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (own.trim()) onPick(own.trim());
        }}
      >
        <label htmlFor={id} className="visually-hidden">
          {t('reason.other')}
        </label>
        <FormControl
          id={id}
          maxLength={200}
          placeholder={t('reason.other')}
          value={own}
          onChange={(e) => setOwn(e.target.value)}
        />
        <Button type="submit" variant="outline-primary">
          {t('keep')}
        </Button>
      </form>
    </div>
  );
}
