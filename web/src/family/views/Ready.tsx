import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { HelpLine } from '../parts/HelpLine';
import { PhonePage } from '../parts/PhonePage';
import { Sheets } from '../parts/Sheets';
import { clock } from '../parts/time';
import { useWords } from '../words';
import { useTyping } from '../phone/typing';
import type { Sheet } from '../phone/useHome';
import type { WorkProps } from '../phone/work';
import { NeedRow } from './NeedRow';
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
      {(sheet.begin ?? []).map((w, i) => (
        <p key={w.from} className="m-0">
          {t(i === 0 ? 'beginBetween' : 'beginOr', {
            from: clock(w.from, bundle.class.zone, bundle.home.locale),
            to: clock(w.to, bundle.class.zone, bundle.home.locale),
          })}
        </p>
      ))}
      {(sheet.objects ?? []).length > 0 && (
        <ObjectNames
          {...{ state, bundle, sheet, book, go, onWrong }}
          typing={typing}
          objects={sheet.objects}
        />
      )}
      {sheet.everyday && <p>{sheet.everyday}</p>}
      {(sheet.keep_to ?? []).length > 0 && (
        <section className="card-paper">
          <h2>{t('keepTo')}</h2>
          <ul>
            {sheet.keep_to.map((k) => (
              <li key={k}>{k}</li>
            ))}
          </ul>
        </section>
      )}
      <section className="card-paper">
        <h2>{t('fetch')}</h2>
        {sheet.needs.map((n) => (
          <NeedRow key={n.id} need={n} {...{ state, bundle, sheet, book, go, onWrong }} />
        ))}
      </section>
      <Besides home={state.home} sheet={sheet} />
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
      <p>
        <a href={`/api/v1/home/${state.home}/assignments/${sheet.assignment}/calendar.ics`}>
          {t('toCalendar')}
        </a>
      </p>
      <Sheets home={state.home} assignment={sheet.assignment} printables={sheet.printables} />
    </PhonePage>
  );
}

/** What is printed, worn and agreed before one begins. */
function Besides({ home, sheet }: { home: string; sheet: Sheet }) {
  const t = useWords();
  return (
    <>
      {(sheet.printables ?? []).length > 0 && (
        <section className="card-paper">
          <h2>{t('toPrint')}</h2>
          {sheet.printables.map((p) => (
            <p key={p.name} className="m-0">
              {p.name} <span className="second d-block">{p.by_hand}</span>
            </p>
          ))}
          <p className="mt-2 mb-0">
            <a
              href={`/api/v1/home/${home}/assignments/${sheet.assignment}/print/printables`}
              target="_blank"
              rel="noreferrer"
            >
              {t('sheet-printables')}
            </a>
          </p>
        </section>
      )}
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
      {(sheet.vocabulary ?? []).length > 0 && (
        <section className="card-paper">
          <h2>{t('someWords')}</h2>
          <dl>
            {sheet.vocabulary.map((w) => (
              <div key={w.word}>
                <dt>{w.word}</dt>
                <dd>{w.means}</dd>
              </div>
            ))}
          </dl>
        </section>
      )}
      {(sheet.counts ?? []).length > 0 && (
        <section className="card-paper">
          <h2>{t('whatCounts')}</h2>
          <ul>
            {sheet.counts.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
