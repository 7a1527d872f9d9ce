import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { HelpLine } from '../parts/HelpLine';
import { PhonePage } from '../parts/PhonePage';
import { Sheets } from '../parts/Sheets';
import { clock } from '../parts/time';
import { useWords } from '../words';
import { useTyping } from '../phone/typing';
import type { WorkProps } from '../phone/work';
import { ObjectNames } from './ObjectNames';

/** What is still to fetch, from the steps; ticks are kept without a connection too. */
export function Ready({
  state,
  bundle,
  sheet,
  book,
  go,
  onWrong,
  onGo,
}: WorkProps & { onGo: () => void }) {
  const t = useWords();
  const [typing, keepTyped] = useTyping();
  const people = sheet.adult_jobs.map((j) => ({
    id: `adult-${j.step}`,
    words: `${t(j.verdict === 'adult-does' ? 'adultDoes' : 'adultNear')}: ${j.title}`,
  }));
  if (sheet.place) people.push({ id: 'place', words: sheet.place });
  const missing =
    sheet.needs.filter((n) => !n.optional && !book.ticked(n.id)).length +
    people.filter((p) => !book.ticked(p.id)).length;
  const tick = (id: string, on: boolean) =>
    void state.add(sheet.assignment, { kind: 'tick', refers: id, reason: on ? '' : 'no' });
  const waiting =
    sheet.state === 'waiting'
      ? t('opensAt', { time: clock(sheet.opens_at, bundle.class.zone, bundle.home.locale) })
      : undefined;
  return (
    <PhonePage
      place={sheet.title}
      aside={
        <Button variant="plain" onClick={() => go(`#/${sheet.assignment}/permission`)}>
          {t('permission')}
        </Button>
      }
      heading={t('ready')}
      focusKey="ready"
      state={state}
      action={{
        words: missing === 0 ? t('allReady') : t('stillMissing', { count: missing }),
        do: () => void keepTyped().then(onGo),
        waits: waiting,
      }}
      onWrong={onWrong}
    >
      <HelpLine state={state} go={go} />
      {(sheet.objects ?? []).length > 0 && (
        <ObjectNames
          {...{ state, bundle, sheet, book, go, onWrong }}
          typing={typing}
          objects={sheet.objects}
        />
      )}
      <section className="card-paper">
        <h2>{t('fetch')}</h2>
        {sheet.needs.map((n) => (
          <NeedRow key={n.id} need={n} on={book.ticked(n.id)} onTick={(on) => tick(n.id, on)} />
        ))}
      </section>
      {sheet.gear.length > 0 && (
        <section className="card-paper">
          <h2>{t('wear')}</h2>
          <p>{sheet.gear.join(' · ')}</p>
        </section>
      )}
      {(sheet.crew ?? []).length > 0 && (
        <section className="card-paper">
          <h2>{t('whoDoesWhat')}</h2>
          <dl>
            {sheet.crew.map((r) => (
              <div key={r.word}>
                <dt>{r.word}</dt>
                <dd>{r.does}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {people.length > 0 && (
        <section className="card-paper">
          <h2>{t('peoplePlace')}</h2>
          {people.map((p) => (
            <div className="row-48" key={p.id}>
              <FormCheckInput
                id={`need-${p.id}`}
                checked={book.ticked(p.id)}
                onChange={(e) => tick(p.id, e.target.checked)}
              />
              <label htmlFor={`need-${p.id}`}>{p.words}</label>
            </div>
          ))}
        </section>
      )}
      <p>
        <Button variant="plain" onClick={() => go(`#/${sheet.assignment}/kitchen`)}>
          {t('somethingNotThere')}
        </Button>
      </p>
      <Sheets home={state.home} assignment={sheet.assignment} />
    </PhonePage>
  );
}

interface Row {
  need: WorkProps['sheet']['needs'][number];
  on: boolean;
  onTick: (on: boolean) => void;
}

/** One thing to fetch; where a home has not got it, the ways to do without. */
function NeedRow({ need: n, on, onTick }: Row) {
  const t = useWords();
  const [open, setOpen] = useState(false);
  const ways = n.instead.length + n.swaps.length > 0;
  return (
    <div className="need">
      <div className="row-48">
        <FormCheckInput
          id={`need-${n.id}`}
          checked={on}
          onChange={(e) => onTick(e.target.checked)}
        />
        <label htmlFor={`need-${n.id}`}>
          {n.name}
          {n.amount && <strong> {n.amount}</strong>}
          {n.optional && <span className="hint"> ({t('optional')})</span>}
          {[n.must, n.note].filter(Boolean).map((line) => (
            <span key={line} className="second d-block">
              {line}
            </span>
          ))}
        </label>
      </div>
      {ways && !on && (
        <Button
          variant="plain"
          className="small"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {t('notGot')}
          <span className="visually-hidden">: {n.name}</span>
        </Button>
      )}
      {ways && open && !on && <Instead need={n} />}
    </div>
  );
}

/** What may be taken instead: the teacher's words first, then what the larder knows. */
function Instead({ need: n }: { need: Row['need'] }) {
  const t = useWords();
  return (
    <div className="added mb-2">
      <p className="mb-1">{t('instead')}:</p>
      <ul className="plain-ways">
        {n.instead.map((words) => (
          <li key={words}>{words}</li>
        ))}
        {n.swaps.map((w) => (
          <li key={w.name + w.amount}>
            {[w.name, w.amount].filter(Boolean).join(', ')}
            {w.acid && <strong>, {w.acid}</strong>}
            <span className="second small d-block">
              {[w.counts, ...w.cautions].join(' ')} {w.adult && <strong>{w.adult}</strong>}
            </span>
          </li>
        ))}
      </ul>
    </div>
  );
}
