import { useEffect, useRef, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { factsAt, HomeFact } from '../parts/HomeFacts';
import { PhonePage } from '../parts/PhonePage';
import { ProgressThread } from '../parts/ProgressThread';
import { clock } from '../parts/time';
import { Timer, useNow } from '../parts/Timer';
import { useWords } from '../words';
import { AskedQuestion } from './AskedQuestion';
import { ClosedStep } from './ClosedStep';
import { EvidenceField } from './EvidenceField';
import { StepReadings } from './StepReadings';
import { UsedFields } from './UsedFields';
import { useTyping } from '../phone/typing';
import { Book, type Slot } from '../phone/book';
import { useRemembered } from '../phone/useRemembered';
import { usesAt } from '../phone/uses';
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
  const [simple = false, setSimple] = useRemembered<boolean>(state, 'simple');
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
  const { zone } = bundle.class;
  const language = bundle.home.locale;

  useNewVersion(state);
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
    if (step.rest) onRest();
    else onGo(number + 1);
  };
  const facts = factsAt(props, step.id);
  if (step.closed) return <ClosedStep {...props} number={number} onDone={() => void finish()} />;
  const adult = step.adult || facts.adult;
  const needsAdult = Boolean(adult) && !book.adult(step.id);
  const barred = facts.open || facts.closed;
  const shut = barred || needsAdult;
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
      action={{ words: last ? t('doneLast') : t('done'), do: () => void finish(), waits }}
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
      {waiting && step.meanwhile && (
        <div className="card-paper">
          <h2>{t('meanwhile')}</h2>
          <p>{step.meanwhile}</p>
        </div>
      )}
      {waiting && (
        <p>
          <Button
            variant="plain"
            onClick={() => {
              setEarly(true);
              void state.add(sheet.assignment, {
                kind: 'observation',
                step: step.id,
                text: t('earlyNote'),
              });
            }}
          >
            {t('early')}
          </Button>
        </p>
      )}
      {!waiting && (
        <>
          {(step.crew ?? []).length > 0 && (
            <p className="crew">
              <Icon name="person-standing" size={20} /> {step.crew.join(' · ')}
            </p>
          )}
          {step.lanes && !barred && <p className="crew">{step.lanes}</p>}
          {step.text && !barred && (
            <p className="instruction">{simple && step.simple ? step.simple : step.text}</p>
          )}
          {step.simple && !barred && (
            <Button variant="plain" aria-pressed={simple} onClick={() => setSimple(!simple)}>
              {t(simple ? 'asWritten' : 'simpler')}
            </Button>
          )}
          {!barred &&
            usesAt(step, sheet, book).map((u) => (
              <p key={u} className="added">
                <strong>{u}</strong>
              </p>
            ))}
          {step.before.map((b) => (
            <p key={b} className="added">
              {b}
            </p>
          ))}
          {!barred &&
            (step.helps ?? []).map((h) => (
              <p key={h} className="help">
                <Icon name="info-circle" size={18} /> {h}
              </p>
            ))}
          {step.see && (
            <p>
              <span className="second">{t('shouldSee')}</span> {step.see}
            </p>
          )}
          {facts.here.length > 0 && barred && (
            <div className="card-paper">
              <h2>{t('inOurHome')}</h2>
              {facts.here.map((f) => (
                <HomeFact key={f.id} {...props} fact={f} />
              ))}
              <p className="hint">{t('ourHomeHint')}</p>
              {facts.closed && (
                <Button
                  variant="outline-primary"
                  className="w-100"
                  onClick={() => props.go(`#/${sheet.assignment}/permission`)}
                >
                  {t('ratherWatch')}
                </Button>
              )}
            </div>
          )}
          {adult && (
            <div className={`card-paper adult ${adult === 'adult-does' ? 'does' : ''}`}>
              <h2>
                <Icon name="person-standing" size={24} />{' '}
                {t(adult === 'adult-does' ? 'adultDoes' : 'adultNear')}
              </h2>
              {step.adult_why && <p>{step.adult_why}</p>}
              {!step.adult &&
                facts.here
                  .filter((f) => book.fact(f.id) === f.raises)
                  .map((f) => <p key={f.id}>{f.do}</p>)}
              {book.adult(step.id) ? (
                <p>
                  {t('adultConfirmed', {
                    time: clock(book.adult(step.id)!.entry.phone_time, zone, language),
                  })}
                </p>
              ) : (
                <Button
                  variant="outline-primary"
                  className="w-100"
                  onClick={() => void state.add(sheet.assignment, { kind: 'adult', step: step.id })}
                >
                  {t('adultHere')}
                </Button>
              )}
            </div>
          )}
          {!shut && <UsedFields {...props} step={step} typing={typing} />}
          {step.takes.length > 0 && !shut && (
            <StepReadings {...props} step={step} typing={typing} />
          )}
          {lacking.length > 0 && (
            <div className="card-paper" role="alert" ref={intoView}>
              <p>
                <strong>{t('neededNow', { what: neededNames(sheet, lacking) })}</strong>
              </p>
              <p className="hint">{t('neededHint')}</p>
            </div>
          )}
          {step.evidence.map((id) => {
            const e = sheet.evidence.find((x) => x.id === id);
            if (!e) return null;
            return (
              <EvidenceField key={id} {...props} typing={typing} step={step.id} evidence={e} />
            );
          })}
          {step.questions.map((id) => {
            const q = sheet.questions.find((x) => x.id === id);
            return (
              q && <AskedQuestion key={id} {...props} typing={typing} step={step.id} question={q} />
            );
          })}
          {step.cautions.map((c) => (
            <p key={c} className="second">
              <Icon name="exclamation-diamond" size={18} /> {c}
            </p>
          ))}
          {(step.keeps ?? []).map((k) => (
            <p key={k} className="help">
              <Icon name="info-circle" size={18} /> {k}
            </p>
          ))}
          {step.after.map((a) => (
            <p key={a} className="added">
              {a}
            </p>
          ))}
        </>
      )}
    </PhonePage>
  );
}

/** What appears is brought to where one looks. */
const intoView = (x: HTMLElement | null) => x?.scrollIntoView({ block: 'center' });

/** The readings of some slots, each once. */
const neededNames = (sheet: WorkProps['sheet'], slots: Slot[]) =>
  [...new Set(slots.map((s) => sheet.readings.find((r) => r.id === s.reading)?.name))].join(', ');

/** At a step border a waiting newer page takes over; never during a step. */
function useNewVersion(_: WorkProps['state']) {
  useEffect(() => {
    void navigator.serviceWorker
      ?.getRegistration()
      .then((r) => r?.waiting?.postMessage('take-over'));
  }, []);
}
