import Button from 'react-bootstrap/Button';
import { PhonePage } from '../parts/PhonePage';
import { clock } from '../parts/time';
import { useNow } from '../parts/Timer';
import type { Step } from '../phone/book';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

/** A part of the work is done, and one can stop: what to keep until it goes on, and when that is; or homes wait for each other until the teacher says go. */
export function Rest({ step, onGo, ...props }: WorkProps & { step: Step; onGo: () => void }) {
  const { state, bundle, sheet, book, go, onWrong } = props;
  const t = useWords();
  const now = useNow(state.offset);
  const { rest } = step;
  const done = book.done(step.id);
  const { zone } = bundle.class;
  if (!rest) return null;
  const from = done ? new Date(done.entry.phone_time).getTime() + done.entry.offset_ms : now;
  const at = (seconds: number) => clock(from + seconds * 1000, zone, bundle.home.locale);
  const later = (rest.earliest ?? 0) * 1000 + from > now;
  const next = sheet.steps[sheet.steps.findIndex((s) => s.id === step.id) + 1];
  const told = (
    [
      ['keepThis', rest.keep],
      ['throwAway', rest.throw_away],
      ['neededAgain', rest.needed_again],
    ] as const
  ).filter(([, words]) => words);
  const kept = book.of('reading').filter((e) => e.answer).length;
  return (
    <PhonePage
      place={sheet.title}
      heading={rest.title ? t('partDone', { part: rest.title }) : t('waitForTheOthers')}
      focusKey={`rest-${step.id}`}
      state={state}
      action={{ words: t(rest.gate ? 'teacherSaidGo' : 'goOnNow'), do: onGo }}
      onWrong={onWrong}
    >
      {rest.gate && <p className="lead">{t('goOnWhenTeacherSays')}</p>}
      {rest.title && <p>{t('placeToStop')}</p>}
      {told.length > 0 && (
        <dl className="card-paper">
          {told.map(([id, words]) => (
            <div key={id}>
              <dt>{t(id)}</dt>
              <dd>{words}</dd>
            </div>
          ))}
        </dl>
      )}
      {(rest.earliest ?? 0) > 0 && (
        <p className={later ? 'doubt' : ''}>{t('goOnFrom', { time: at(rest.earliest!) })}</p>
      )}
      {(rest.latest ?? 0) > 0 && <p>{t('goOnUntil', { time: at(rest.latest!) })}</p>}
      {kept > 0 && <p className="second">{t('sentSoFar', { count: kept })}</p>}
      {next && <p className="second">{t('nextIs', { step: next.title })}</p>}
      {rest.title && (
        <Button variant="outline-primary" className="w-100" onClick={() => go('#/')}>
          {t('stopHere')}
        </Button>
      )}
    </PhonePage>
  );
}
