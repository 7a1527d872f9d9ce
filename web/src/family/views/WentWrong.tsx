import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import type { Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { newID } from '../../ui/ids';
import type { Bundle, HomeState, Sheet } from '../phone/useHome';
import { PhonePage } from '../parts/PhonePage';
import { clock, left } from '../parts/time';
import { useWords } from '../words';

type Card = Schemas['CardView'];
type Door = 'hurt' | 'spilled' | 'not-working';

/** First what to do, one instruction at a time, without a connection; then the teacher is told. */
export function WentWrong({
  state,
  bundle,
  sheet,
  onClose,
}: {
  state: HomeState;
  bundle: Bundle;
  sheet?: Sheet;
  onClose: () => void;
}) {
  const t = useWords();
  const [door, setDoor] = useState<Door>();
  const [card, setCard] = useState<Card>();
  const [incident, setIncident] = useState<string>();
  const [outcome, setOutcome] = useState('');
  const [note, setNote] = useState('');
  const { emergency_number: emergency, poison_number: poison, teacher } = bundle.class;
  const tell = (d: Door, c: Card | undefined, more: { outcome?: string; note?: string } = {}) => {
    const id = incident ?? newID();
    setIncident(id);
    void state.tell(id, {
      door: d,
      card: c?.id,
      outcome: more.outcome ?? outcome,
      note: more.note ?? note,
      assignment: sheet?.assignment,
    });
  };
  const close = (
    <Button
      variant="plain"
      onClick={
        door
          ? () => {
              setDoor(undefined);
              setCard(undefined);
            }
          : onClose
      }
    >
      {door ? t('back') : t('close')}
    </Button>
  );
  if (!door) {
    return (
      <PhonePage
        place={t('wentWrong')}
        aside={close}
        heading={t('wentWrong')}
        focusKey="doors"
        state={state}
      >
        <Doors emergency={emergency} poison={poison} onOpen={setDoor} />
      </PhonePage>
    );
  }
  if (door !== 'not-working' && !card) {
    return (
      <PhonePage
        place={t('wentWrong')}
        aside={close}
        heading={t(door === 'hurt' ? 'doorHurt' : 'doorSpilled')}
        focusKey={door}
        state={state}
      >
        {door === 'hurt' && <Calls emergency={emergency} poison={poison} />}
        <Cards
          bundle={bundle}
          door={door}
          sheet={sheet}
          onChoose={(c) => {
            setCard(c);
            tell(door, c);
          }}
        />
      </PhonePage>
    );
  }
  const told = incident && !state.queue.some((w) => w.id === incident && !w.problem);
  return (
    <PhonePage
      place={t('wentWrong')}
      aside={close}
      heading={card?.title ?? t('doorNot')}
      focusKey={card?.id ?? 'not-working'}
      state={state}
    >
      {card ? (
        <Aid card={card} emergency={emergency} poison={poison} />
      ) : (
        <Mistakes sheet={sheet} />
      )}
      {incident && (
        <p role="status">
          {told
            ? t('told', { teacher, time: clock(new Date(), bundle.class.zone, bundle.home.locale) })
            : t('willTell', { teacher })}
        </p>
      )}
      {door === 'hurt' && (
        <Outcome
          chosen={outcome}
          onChoose={(o) => {
            setOutcome(o);
            tell(door, card, { outcome: o });
          }}
        />
      )}
      <Note
        words={door === 'not-working' ? t('noMistakes') : t('tellMore')}
        note={note}
        onNote={setNote}
        onTell={() => tell(door, card)}
      />
    </PhonePage>
  );
}

/** What went wrong: the gravest first. */
function Doors({
  emergency,
  poison,
  onOpen,
}: {
  emergency: string;
  poison: string;
  onOpen: (door: Door) => void;
}) {
  const t = useWords();
  return (
    <>
      <Calls emergency={emergency} poison={poison} />
      <p className="larger fw-semibold">{t('hurtFirst')}</p>
      <button type="button" className="choice hurt" onClick={() => onOpen('hurt')}>
        {t('doorHurt')}
      </button>
      <button type="button" className="choice" onClick={() => onOpen('spilled')}>
        {t('doorSpilled')}
      </button>
      <button type="button" className="choice" onClick={() => onOpen('not-working')}>
        {t('doorNot')}
      </button>
    </>
  );
}

/** The first-aid cards behind a door: those of this experiment, all of them when asked. */
function Cards({
  bundle,
  door,
  sheet,
  onChoose,
}: {
  bundle: Bundle;
  door: Door;
  sheet?: Sheet;
  onChoose: (card: Card) => void;
}) {
  const t = useWords();
  const [all, setAll] = useState(!sheet);
  return (
    <>
      {bundle.first_aid
        .filter((c) => c.door === door && (all || sheet?.cards.includes(c.id)))
        .map((c) => (
          <button key={c.id} type="button" className="choice" onClick={() => onChoose(c)}>
            {c.title}
          </button>
        ))}
      {!all && (
        <button type="button" className="choice" onClick={() => setAll(true)}>
          {t('somethingElse')}
        </button>
      )}
    </>
  );
}

/** More in a family's own words. */
function Note({
  words,
  note,
  onNote,
  onTell,
}: {
  words: string;
  note: string;
  onNote: (typed: string) => void;
  onTell: () => void;
}) {
  const t = useWords();
  return (
    <div className="field">
      <label htmlFor="wrong-note">{words}</label>
      <FormControl
        id="wrong-note"
        as="textarea"
        rows={2}
        maxLength={1000}
        value={note}
        onChange={(e) => onNote(e.target.value)}
      />
      <Button variant="outline-primary" className="mt-2" onClick={onTell}>
        {t('tell')}
      </Button>
    </div>
  );
}

/** What came of an injury. */
function Outcome({ chosen, onChoose }: { chosen: string; onChoose: (outcome: string) => void }) {
  const t = useWords();
  return (
    <>
      {['fine', 'phone-us', 'mistaken-tap'].map((o) => (
        <button
          key={o}
          type="button"
          className={`choice ${chosen === o ? 'chosen' : ''}`}
          aria-pressed={chosen === o}
          onClick={() => onChoose(o)}
        >
          {t({ fine: 'adultFine', 'phone-us': 'phoneUs', 'mistaken-tap': 'mistaken' }[o]!)}
        </button>
      ))}
      <p className="hint">{t('notMedical')}</p>
    </>
  );
}

function Calls({ emergency, poison, only }: { emergency: string; poison: string; only?: boolean }) {
  const t = useWords();
  return (
    <>
      <a className="tel" href={`tel:${emergency}`}>
        <Icon name="telephone" size={24} /> {t('callNumber', { number: emergency })}
      </a>
      {!only && (
        <a className="tel" href={`tel:${poison}`}>
          <Icon name="telephone" size={24} /> {t('callPoison', { number: poison })}
        </a>
      )}
    </>
  );
}

function Aid({ card, emergency, poison }: { card: Card; emergency: string; poison: string }) {
  const t = useWords();
  const [at, setAt] = useState(0);
  const calls = <Calls emergency={emergency} poison={poison} only={!card.poison} />;
  return (
    <>
      {card.call_first && calls}
      <ol className="aid indented">
        {card.steps.slice(0, at + 1).map((s, i) => (
          <li key={s} className={i === at ? 'larger fw-bold' : undefined}>
            {s}
          </li>
        ))}
      </ol>
      {at < card.steps.length - 1 && (
        <Button className="main-action w-100 mb-3" onClick={() => setAt(at + 1)}>
          {t('next')}
        </Button>
      )}
      {card.minutes > 0 && <AidClock minutes={card.minutes} />}
      {!card.call_first && calls}
    </>
  );
}

function AidClock({ minutes }: { minutes: number }) {
  const t = useWords();
  const [end] = useState(() => Date.now() + minutes * 60_000);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  return (
    <p className="big" role="timer" aria-live="off">
      {t('timeLeft', { time: left(end - now) })}
    </p>
  );
}

function Mistakes({ sheet }: { sheet?: Sheet }) {
  const t = useWords();
  return (
    <>
      {sheet?.mistakes.map((m) => (
        <div className="card-paper" key={m.see}>
          <h2>{m.see}</h2>
          {m.cause && <p className="second">{m.cause}</p>}
          <p className="m-0">{m.mend}</p>
        </div>
      ))}
      <p>{t('startAgain')}</p>
    </>
  );
}
