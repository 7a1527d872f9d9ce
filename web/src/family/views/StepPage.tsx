import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { factsAt } from '../parts/HomeFacts';
import { PhonePage } from '../parts/PhonePage';
import { ProgressThread } from '../parts/ProgressThread';
import { clock } from '../parts/time';
import { Timer, useNow } from '../parts/Timer';
import { useWords } from '../words';
import { ClosedStep } from './ClosedStep';
import { StepBody, type Depth } from './StepBody';
import { useTyping } from '../phone/typing';
import { Book } from '../phone/book';
import { useRemembered } from '../phone/useRemembered';
import type { Sheet } from '../phone/useHome';
import type { WorkProps } from '../phone/work';

/** One step: what to do now, whether the adult is there, how long; its measurements and photos on the same card. */
export function StepPage({
  number,
  onGo,
  onRest,
  ...props
}: WorkProps & { number: number; onGo: (n: number) => void; onRest: () => void }) {
  const { state, bundle, sheet, book, onWrong } = props;
  const t = useWords();
  const step = sheet.steps[number - 1];
  const now = useNow(state.offset);
  const readyAt = book.readyAt(step);
  const [early, setEarly] = useState(false);
  const [depth = '', setDepth] = useRemembered<Depth>(state, 'depth');
  const waiting =
    step.wait !== undefined &&
    !early &&
    !book.done(step.id) &&
    (readyAt === undefined || readyAt > now);
  const clockNotStarted = step.wait !== undefined && readyAt === undefined;
  const from = sheet.steps.find((s) => s.id === step.wait?.from);
  const end = sheet.steps[sheet.steps.length - 1];
  const toWait = !waiting
    ? 0
    : readyAt === undefined
      ? step.wait!.seconds
      : Math.max(0, (readyAt - now) / 1000);
  const rest = (end.start + end.seconds - step.start + toWait) / 60;
  const last = number === sheet.steps.length;
  const ends = (sheet.activities ?? []).length > 0 ? 'activityEnds' : 'doneLast';
  const { zone } = bundle.class;
  const language = bundle.home.locale;

  useNewVersion(state);
  const { typing, lacking, finish } = useFinish(props, step, () =>
    step.rest ? onRest() : onGo(number + 1),
  );
  const facts = factsAt(props, step.id);
  if (step.closed) return <ClosedStep {...props} number={number} onDone={() => void finish()} />;
  const adult = step.adult || facts.adult;
  const needsAdult = Boolean(adult) && !book.adult(step.id);
  const waits = step.foreign
    ? t('waitsLanguage', { teacher: bundle.class.teacher })
    : facts.open
      ? t('waitsAnswer')
      : facts.closed
        ? t('waitsClosed')
        : needsAdult
          ? t('waitsAdult')
          : sheet.state === 'waiting'
            ? t('opensAt', { time: clock(sheet.opens_at, zone, language) })
            : waiting
              ? readyAt
                ? t('waitsClock', { time: clock(readyAt, zone, language) })
                : t('clockStarts', { step: from?.title ?? '' })
              : undefined;
  const place = `${t('stepOf', { n: number, all: sheet.steps.length })} · ${rest >= 90 ? t('hoursLeft', { count: Math.round(rest / 60) }) : t('minLeft', { count: Math.max(1, Math.round(rest)) })}`;
  return (
    <PhonePage
      place={place}
      aside={
        number > 1 && (
          <Button variant="plain" onClick={() => onGo(number - 1)}>
            {t('back')}
          </Button>
        )
      }
      thread={<ProgressThread sheet={sheet} at={number - 1} />}
      heading={step.title}
      focusKey={step.id}
      state={state}
      action={{ words: t(last ? ends : 'done'), do: () => void finish(), waits }}
      onWrong={onWrong}
    >
      {waiting && clockNotStarted && (
        <p className="doubt">{t('clockStarts', { step: from?.title ?? '' })}</p>
      )}
      {step.wait && readyAt !== undefined && !book.done(step.id) && (
        <Timer
          readyAt={readyAt}
          seconds={step.wait.seconds}
          offset={state.offset}
          zone={zone}
          language={language}
          small={early}
        />
      )}
      {waiting && (
        <Meanwhile
          words={step.meanwhile}
          onEarly={() => {
            setEarly(true);
            void state.add(sheet.assignment, {
              kind: 'observation',
              step: step.id,
              text: t('earlyNote'),
            });
          }}
        />
      )}
      {!waiting && (
        <StepBody
          {...props}
          step={step}
          facts={facts}
          typing={typing}
          lacking={lacking}
          depth={depth}
          onDepth={setDepth}
        />
      )}
    </PhonePage>
  );
}

/** What can be done while one waits, and going on before the time. */
function Meanwhile({ words, onEarly }: { words?: string; onEarly: () => void }) {
  const t = useWords();
  return (
    <>
      {words && (
        <div className="card-paper">
          <h2>{t('meanwhile')}</h2>
          <p>{words}</p>
        </div>
      )}
      <p>
        <Button variant="plain" onClick={onEarly}>
          {t('early')}
        </Button>
      </p>
    </>
  );
}

/**
 * Ends a step once what is typed is kept. Of readings that a later one is subtracted from it
 * asks first, once; lacking are those.
 */
function useFinish(
  { state, bundle, sheet, book }: WorkProps,
  step: Sheet['steps'][number],
  onDone: () => void,
) {
  const [typing, keepTyped] = useTyping();
  const lacks = (b: Book) => (step.needed ?? []).filter((s) => !b.settled(s));
  const [asked, setAsked] = useState<string>(); // in which step it was said what is lacking
  const lacking = asked === step.id && !book.done(step.id) ? lacks(book) : [];
  const finishing = useRef(false); // a second tap while the first is being kept does nothing
  const finish = async () => {
    if (finishing.current) return;
    finishing.current = true;
    await keepTyped();
    if (asked !== step.id && !book.done(step.id)) {
      const now = new Book(await state.written(), sheet.assignment, bundle.home.facts);
      if (lacks(now).length > 0) {
        setAsked(step.id);
        finishing.current = false;
        return;
      }
    }
    if (!book.done(step.id))
      await state.add(sheet.assignment, { kind: 'step-done', step: step.id });
    onDone();
  };
  return { typing, lacking, finish };
}

/** At a step border a waiting newer page takes over; never during a step. */
function useNewVersion(_: WorkProps['state']) {
  useEffect(() => {
    void navigator.serviceWorker
      ?.getRegistration()
      .then((r) => r?.waiting?.postMessage('take-over'));
  }, []);
}
