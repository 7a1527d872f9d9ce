import Button from 'react-bootstrap/Button';
import { SharedReadings } from '../parts/SharedReadings';
import { PhonePage } from '../parts/PhonePage';
import { stateOf, type Activity } from '../phone/activities';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

/** Several short pieces of work, in any order; each is done or not by itself. */
export function Activities({ onGo, ...props }: WorkProps & { onGo: (page: string) => void }) {
  const { state, sheet, book, onWrong } = props;
  const t = useWords();
  const all = sheet.activities;
  const states = all.map((a) => stateOf(sheet, book, a));
  const done = states.filter((s) => s === 'done').length;
  const open = states.filter((s) => s === 'begun' || s === 'not-begun').length;
  return (
    <PhonePage
      place={sheet.title}
      aside={
        <Button variant="plain" onClick={() => onGo('permission')}>
          {t('permission')}
        </Button>
      }
      heading={t('activitiesHead', { count: all.length })}
      focusKey="activities"
      state={state}
      action={
        done > 0
          ? { words: t(open === 0 ? 'activitiesAll' : 'activitiesSome'), do: () => onGo('result') }
          : undefined
      }
      onWrong={onWrong}
    >
      <p className="second" aria-live="polite">
        {t('activitiesOf', { done, all: all.length })}
      </p>
      {all.map((a, i) => (
        <Card key={a.id} {...props} activity={a} number={i + 1} onGo={onGo} />
      ))}
      {sheet.shown.length > 0 && <SharedReadings sheet={sheet} />}
    </PhonePage>
  );
}

function Card({
  sheet,
  book,
  activity,
  number,
  onGo,
}: WorkProps & { activity: Activity; number: number; onGo: (page: string) => void }) {
  const t = useWords();
  const state = stateOf(sheet, book, activity);
  const needs = sheet.needs.filter((n) => activity.needs.includes(n.id)).map((n) => n.name);
  return (
    <section className="card-paper" aria-label={activity.title}>
      <h2>
        {number} {activity.title}
      </h2>
      <p className="second">
        {[
          t('activityMinutes', { count: activity.minutes }),
          activity.adult && t('activityAdult'),
          needs.length > 0 && t('activityNeeds', { what: needs.join(', ') }),
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {state === 'not-agreed' ? (
        <>
          <p>{t('activityNotAgreed')}</p>
          <Button variant="outline-primary" className="w-100" onClick={() => onGo('permission')}>
            {t('activityAsk')}
          </Button>
        </>
      ) : (
        <>
          {state !== 'not-begun' && (
            <p className="m-0">
              <strong>{t(state === 'done' ? 'activityDone' : 'activityBegun')}</strong>
            </p>
          )}
          <Button
            variant={state === 'done' ? 'plain' : 'outline-primary'}
            className={state === 'done' ? '' : 'w-100'}
            aria-label={`${t(words[state])}: ${activity.title}`}
            onClick={() => onGo(state === 'begun' ? `activity/${number}` : `ready/${number}`)}
          >
            {t(words[state])}
          </Button>
        </>
      )}
    </section>
  );
}

const words = {
  'not-begun': 'activityBegin',
  begun: 'activityGoOn',
  done: 'activityAgain',
} as const;
