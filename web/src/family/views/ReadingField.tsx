import type { TFunction } from 'i18next';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import type { LocalEntry } from '../phone/db';
import { byTime, type Slot } from '../phone/book';
import type { HomeState, Sheet } from '../phone/useHome';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import { useKept, type Typing } from '../phone/typing';
import { useCore } from '../phone/useCore';
import type { Reply } from '../core';
import { KeptReading } from './KeptReading';
import type { WorkProps } from '../phone/work';

const slotKey = (s: Slot) => `${s.reading}/${s.condition ?? ''}/${s.time ?? ''}/${s.trial}`;

/** The tool this home measures a reading with; kept on the phone. */
export function useInstrument(state: HomeState, reading: string) {
  const [instrument, set] = useRemembered<string>(state, `instrument/${reading}`);
  return [instrument ?? '', set] as const;
}

interface Props extends WorkProps {
  slot: Slot;
  reading: Sheet['readings'][number];
  instrument: string;
  step: Sheet['steps'][number];
  typing: Typing;
}

/** One measurement: typed as people type, shown back as the server read it, corrected or spoiled but never overwritten. */
export function ReadingField({
  state,
  bundle,
  sheet,
  book,
  slot,
  reading,
  instrument,
  step,
  typing,
}: Props) {
  const t = useWords();
  const core = useCore();
  const key = `typed/${sheet.assignment}/${slotKey(slot)}`;
  const [kept, setKept] = useRemembered<string>(state, key);
  const typed = kept ?? '';
  const [changing, setChanging] = useState(false);
  const [asking, setAsking] = useState<'spoiled' | 'not-read'>();
  const taken = book.present(slot);
  const notRead = book.notRead(slot);
  const present = taken && notRead && byTime(taken, notRead) < 0 ? undefined : taken; // what was said last stands
  const desk = present && book.desk(present.id);
  const spoiled = book.readings(slot).filter((e) => book.spoiled(e.id));
  const condition = sheet.conditions.find((c) => c.id === slot.condition);
  const several = step.takes.some((s) => s.reading !== slot.reading);
  const label = [
    condition?.name,
    (several || !condition) && reading.name,
    reading.trials > 1 ? t('try', { n: slot.trial, all: reading.trials }) : '',
  ]
    .filter(Boolean)
    .join(' · ');
  const id = `reading-${slotKey(slot)}`;

  const write = (value: string) => {
    setKept(value || undefined);
  };
  const put = (text: string, instead?: LocalEntry) =>
    state.add(sheet.assignment, {
      kind: 'reading',
      step: step.id,
      reading: slot.reading,
      condition: slot.condition,
      time: slot.time,
      trial: slot.trial,
      typed: text,
      instrument,
      ...(instead ? { refers: instead.id, reason: '' } : {}),
    });
  const keep = useKept(typing, id, async () => {
    if (!typed.trim()) return;
    if (changing && typed === present?.entry.typed) {
      write('');
      setChanging(false);
      return;
    }
    await put(typed, changing ? present : undefined);
    write('');
    setChanging(false);
  });
  /** What the phone itself makes of a reading that waits to be sent. */
  const read = (e: LocalEntry): Reply | undefined => {
    const tool =
      reading.instruments.find((i) => i.id === e.entry.instrument) ?? reading.instruments[0];
    const asked = {
      unit: reading.unit,
      low: reading.low,
      high: reading.high,
      repeatability: reading.repeatability,
      step: tool?.step,
      analogue: tool?.analogue,
      tool: { [bundle.home.language]: tool?.name ?? '' },
    };
    return core?.({
      typed: e.entry.typed ?? '',
      language: bundle.home.locale,
      measures: bundle.class.unit_system,
      asked,
    });
  };
  const spoil = (reason: string) => {
    if (present)
      void state.add(sheet.assignment, {
        kind: 'spoiled',
        step: step.id,
        refers: present.id,
        reason,
      });
    setAsking(undefined);
  };
  const skip = (reason: string) => {
    void state.add(sheet.assignment, {
      kind: 'not-read',
      step: step.id,
      reading: slot.reading,
      condition: slot.condition,
      time: slot.time,
      trial: slot.trial,
      reason,
    });
    setAsking(undefined);
  };
  const field = !present || changing;
  return (
    <div className="slot" data-testid={id}>
      <label htmlFor={id} className="slot-name">
        {label}
      </label>
      {spoiled.map((e) => (
        <p key={e.id} className="second mt-0 mb-2">
          <s>{e.entry.typed}</s>{' '}
          {t('spoiledKept', { reason: because(t, book.spoiled(e.id)!.entry.reason) })}
        </p>
      ))}
      {field && (
        <form
          className="value-row"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <FormControl
            id={id}

            inputMode="decimal"
            autoComplete="off"
            value={typed}
            onChange={(e) => write(e.target.value)}
            onBlur={() => void keep()}
            placeholder={t('whatShows')}
            maxLength={200}
          />
          <span className="unit">{reading.unit}</span>
          <Button type="submit">{t('keep')}</Button>
        </form>
      )}
      {present && !changing && (
        <KeptReading
          key={present.id}
          entry={present}
          reply={present.answer ?? read(present)}
          id={id}
          state={state}
          onOffer={(text) => void put(text, present)}
          onNotRead={() => setAsking('not-read')}
          onChange={() => {
            setChanging(true);
            write(present.entry.typed ?? '');
          }}
        />
      )}
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
      {asking === 'spoiled' && (
        <Reasons
          title={t('spoiledWhy')}
          reasons={['spilled', 'touched', 'too-early-or-late', 'knocked']}
          onPick={spoil}
        />
      )}
      {asking === 'not-read' && (
        <Reasons
          title={t('notReadWhy')}
          reasons={['forgot', 'broke', 'no-tool', 'cannot-read']}
          onPick={skip}
        />
      )}
      {!asking && (
        <p className="fine mt-1 mb-0">
          {present && !changing && (
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
    </div>
  );
}

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
  return (
    <div role="group" aria-label={title} className="mt-2">
      <p className="mt-0 mb-2">{title}</p>
      {reasons.map((r) => (
        <button key={r} type="button" className="choice tall" onClick={() => onPick(r)}>
          {t(`reason.${r}`)}
        </button>
      ))}
    </div>
  );
}
