import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { clock, sinceMidnight } from '../parts/time';
import { useNow } from '../parts/Timer';
import { useWords } from '../words';
import type { Given } from './GivenField';
import type { SlotProps } from './SlotFrame';

interface Props extends Pick<SlotProps, 'reading' | 'state' | 'bundle'> {
  id: string;
  /** When its clock started, in the server's time. */
  began: number;
  onKeep: (value: Given) => Promise<void>;
}

/** When something happens: now, between two looks, or not by the time the design names, which is a full answer. */
export function EventField({ id, reading, state, bundle, began, onKeep }: Props) {
  const t = useWords();
  const now = useNow(state.offset);
  const [afterwards, setAfterwards] = useState(false);
  const [looks, setLooks] = useState<[string, string]>(['', '']);
  const { zone } = bundle.class;
  const shown = (at: number) => clock(at, zone, bundle.home.locale);
  const since = (at: number) => Math.max(0, Math.round((at - began) / 1000));
  /** A time by the class's wall clock, as the page shows it, in seconds from the start; one before it is of the next day. */
  const seconds = (look: string) => {
    const [hours, minutes] = look.split(':').map(Number);
    const s = 3600 * hours + 60 * minutes - sinceMidnight(began, zone);
    return s < -60 ? s + 24 * 3600 : Math.max(0, s);
  };
  const open = since(now) >= (reading.not_by ?? 0);
  const between = looks[0] && looks[1] ? looks.map(seconds) : undefined;
  const can = between && between[0] < between[1] && between[1] <= since(now) + 60;
  return (
    <div>
      <p className="second m-0">{t('beganAt', { began: shown(began), now: shown(now) })}</p>
      <button
        type="button"
        id={id}
        className="one-more"
        onClick={() => void onKeep({ at: since(Date.now() + state.offset) })}
      >
        {t('nowItDoes')}
      </button>
      {!afterwards && (
        <Button
          variant="outline-primary"
          className="w-100 my-2"
          onClick={() => setAfterwards(true)}
        >
          {t('sawAfterwards')}
        </Button>
      )}
      {afterwards && (
        <form
          className="card-paper"
          onSubmit={(e) => {
            e.preventDefault();
            if (can) void onKeep({ between });
          }}
        >
          {([t('notYetAt'), t('thereAt')] as const).map((words, i) => (
            <div key={words} className="field">
              <label htmlFor={`${id}-look-${i}`}>{words}</label>
              <FormControl
                id={`${id}-look-${i}`}
                type="time"
                value={looks[i]}
                onChange={(e) =>
                  setLooks((l) => (i === 0 ? [e.target.value, l[1]] : [l[0], e.target.value]))
                }
              />
            </div>
          ))}
          {between && !can && (
            <p className="doubt" role="status">
              {t('looksInOrder')}
            </p>
          )}
          <Button type="submit" disabled={!can}>
            {t('keep')}
          </Button>
        </form>
      )}
      <Button
        variant="outline-primary"
        className="w-100"
        disabled={!open}
        onClick={() => void onKeep({ not_by: since(Date.now() + state.offset) })}
      >
        {t('hasNotHappened')}
      </Button>
      <p className="hint my-1">
        {t('notByIsAnAnswer', { time: shown(began + (reading.not_by ?? 0) * 1000) })}
      </p>
    </div>
  );
}
