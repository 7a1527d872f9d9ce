import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, ProblemError } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { SheetSections } from '../../ui/SheetSections';
import { HomeFact } from '../parts/HomeFacts';
import { PhonePage } from '../parts/PhonePage';
import { Sheets } from '../parts/Sheets';
import { clock, dayWords } from '../parts/time';
import { useWords } from '../words';
import type { HomeState, Sheet } from '../phone/useHome';
import type { WorkProps } from '../phone/work';

/** What, how long, who must be there, what could hurt; and a guardian's yes or no. */
export function Permission({ onGo, ...props }: WorkProps & { onGo: (page: string) => void }) {
  const { state, bundle, sheet, book, onWrong } = props;
  const t = useWords();
  const p = sheet.permission;
  const asking = useAsking();
  const { zone } = bundle.class;
  const language = bundle.home.locale;

  const { answer, problem, busy } = useAnswer(state, sheet, onGo, asking.said);
  const granted = p.state === 'granted';
  const adults = asksAdult(sheet, book, asking.said.without);
  const waits =
    asking.said.without.length > 0 && asking.said.without.length === sheet.activities?.length
      ? t('agreeOne')
      : adults && !asking.said.adult
        ? t('tickFirst')
        : asking.said.guardian.trim() === ''
          ? t('nameFirst')
          : undefined;
  const action = granted
    ? { words: t('goOn'), do: () => onGo('ready') }
    : { words: t('agree'), do: () => !busy && void answer('granted'), waits };
  return (
    <PhonePage
      place={sheet.title}
      aside={
        <Button
          variant="plain"
          onClick={() => {
            const place = document.getElementById('agreed');
            place?.scrollIntoView({ block: 'start' });
            place?.focus({ preventScroll: true });
          }}
        >
          {t('permission')}
        </Button>
      }
      heading={t('before')}
      focusKey="permission"
      state={state}
      action={action}
      onWrong={onWrong}
    >
      <News sheet={sheet} />
      {cards(sheet.sections).map((sections, i, all) => (
        <section key={sections[0].id} className="card-paper">
          <SheetSections sections={sections} heading="h2" />
          {i === all.length - 1 && (
            <>
              <Numbers bundle={bundle} />
              <Sheets home={state.home} assignment={sheet.assignment} />
            </>
          )}
        </section>
      ))}
      {sheet.facts.length > 0 && <OurHome {...props} />}
      <section className="card-paper">
        <h2 id="agreed" tabIndex={-1}>
          {t('permission')} <NameLabel name={bundle.home.nickname} />
        </h2>
        {granted ? (
          <>
            <p>{t('agreed', { name: p.guardian, time: clock(p.at!, zone, language) })}</p>
            <AgreeToAll sheet={sheet} onAgree={(more) => void answer('granted', more)} />
            <Button variant="outline-primary" onClick={() => void answer('withdrawn')}>
              {t('takeBack')}
            </Button>
          </>
        ) : (
          <Ask bundle={bundle} sheet={sheet} adults={adults} {...asking} />
        )}
        <p className="hint">
          {t('onlyTeacher', { teacher: bundle.class.teacher })}{' '}
          {t('keepFor', {
            days: bundle.class.photo_days,
            until: dayWords(bundle.class.keep_until, language),
          })}
        </p>
      </section>
      {!granted && (
        <section className="card-paper">
          <p>{t('rather')}</p>
          <Button
            variant="outline-primary"
            className="w-100"
            onClick={() => void answer('declined')}
          >
            {t('ratherWatch')}
          </Button>
        </section>
      )}
      {problem && (
        <p className="doubt" role="alert">
          {problem}
        </p>
      )}
    </PhonePage>
  );
}

interface Said {
  guardian: string;
  photos: boolean;
  gallery: boolean;
  adult: boolean;
  /** Short activities that are not agreed to. */
  without: string[];
}

/** What a guardian has said on the page so far; nothing is agreed to but by a tick. */
function useAsking() {
  const [said, setSaid] = useState<Said>({
    guardian: '',
    photos: false,
    gallery: false,
    adult: false,
    without: [],
  });
  const say = (part: Partial<Said>) =>
    setSaid((now) => {
      const next = { ...now, ...part };
      return { ...next, gallery: next.gallery && next.photos };
    });
  return { said, say };
}

/** Whether some step of what is agreed to asks for an adult. */
function asksAdult(sheet: Sheet, book: WorkProps['book'], without: string[]): boolean {
  const left = (step: string) =>
    sheet.activities?.some((a) => without.includes(a.id) && a.steps.includes(step));
  return (
    sheet.adult_jobs.some((j) => !left(j.step)) ||
    sheet.facts.some(
      (f) =>
        book.fact(f.id) === f.raises &&
        f.steps.some((s) => s.verdict !== 'not-at-home' && !left(s.step)),
    )
  );
}

/** Sends a guardian's answer and goes where it leads. */
function useAnswer(state: HomeState, sheet: Sheet, onGo: (page: string) => void, said: Said) {
  const t = useWords();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const answer = async (decision: 'granted' | 'declined' | 'withdrawn', more?: Said) => {
    setBusy(true);
    setProblem(undefined);
    try {
      await got(
        api.POST('/api/v1/home/{home}/assignments/{assignment}/permission', {
          params: { path: { home: state.home, assignment: sheet.assignment } },
          body: { ...said, ...more, decision, text_sha: sheet.permission.text_sha },
        }),
      );
      // The address first: the page changes with what is read anew, and a quick tap there must not be undone.
      onGo(decision === 'granted' ? 'ready' : decision === 'declined' ? 'watch' : 'permission');
      await state.refresh();
    } catch (error) {
      setProblem(
        error instanceof ProblemError
          ? error.offline
            ? t('needsLine')
            : error.problem.detail
          : t('loadingFault'),
      );
      if (error instanceof ProblemError && error.problem.code === 'text-changed')
        await state.refresh();
    } finally {
      setBusy(false);
    }
  };
  return { answer, problem, busy };
}

/** What has to be known of the home before. */
function OurHome(props: WorkProps) {
  const t = useWords();
  return (
    <section className="card-paper">
      <h2>{t('inOurHome')}</h2>
      <p className="second">{t('ourHomeAsk')}</p>
      {props.sheet.facts.map((f) => (
        <HomeFact key={f.id} {...props} fact={f} />
      ))}
      <p className="hint">{t('ourHomeHint')}</p>
    </section>
  );
}

/** Why it is asked again, what is new since, and what is not in this language. */
function News({ sheet }: { sheet: Sheet }) {
  const t = useWords();
  const p = sheet.permission;
  return (
    <>
      {p.state === 'lapsed' && <p className="doubt">{t('lapsedNote')}</p>}
      {p.state === 'withdrawn' && <p className="doubt">{t('withdrawnNote')}</p>}
      {(sheet.news?.lines ?? []).length > 0 && (
        <p className="added">
          <strong>{t('newSince', { since: sheet.news!.since })}</strong>{' '}
          {sheet.news!.lines.join(' ')}
        </p>
      )}
      {sheet.untranslated > 0 && <p className="doubt">{t('untranslated')}</p>}
    </>
  );
}

// What is done and who has to be there; what to have ready; what could hurt, and the rest.
const ready = ['wear', 'where', 'before'];
const first = ['what', 'who', 'facts'];

/** The guardian's sheet on three cards, in its own order. */
function cards(sections: WorkProps['sheet']['sections']) {
  const of = (s: { id: string }) => (first.includes(s.id) ? 0 : ready.includes(s.id) ? 1 : 2);
  return [0, 1, 2]
    .map((card) => sections.filter((s) => of(s) === card))
    .filter((card) => card.length > 0);
}

interface Asking {
  sheet: Sheet;
  bundle: WorkProps['bundle'];
  /** Some step asks for an adult. */
  adults: boolean;
  said: Said;
  say: (part: Partial<Said>) => void;
}

/** What was not agreed to, and agreeing to it later. */
function AgreeToAll({ sheet, onAgree }: { sheet: Sheet; onAgree: (said: Said) => void }) {
  const t = useWords();
  const [adult, setAdult] = useState(false);
  const p = sheet.permission;
  const left = (sheet.activities ?? []).filter((a) => p.without?.includes(a.id));
  if (left.length === 0) return null;
  const needs = left.some((a) => a.adult);
  const said = { guardian: p.guardian ?? '', photos: p.photos, gallery: p.gallery, without: [] };
  return (
    <>
      <p>{t('agreedNot', { what: left.map((a) => a.title).join(', ') })}</p>
      {needs && <Tick id="adult-too" words={t('adultTick')} on={adult} set={setAdult} />}
      <p>
        <Button
          variant="outline-primary"
          disabled={needs && !adult}
          onClick={() => onAgree({ ...said, adult: true })}
        >
          {t('agreeToAll')}
        </Button>
      </p>
    </>
  );
}

/** What is agreed to, and by whom. */
function Ask({ sheet, bundle, adults, said, say }: Asking) {
  const recorded = sheet.evidence.some((e) => e.kind === 'clip' || e.kind === 'sound');
  const t = useWords();
  const { without } = said;
  return (
    <>
      <p>{t('permissionFor', { name: bundle.home.nickname })}</p>
      {(sheet.activities ?? []).length > 0 && (
        <fieldset>
          <legend className="second m-0">{t('agreeWhich')}</legend>
          {sheet.activities.map((a) => (
            <Tick
              key={a.id}
              id={`agree-${a.id}`}
              words={a.title}
              on={!without.includes(a.id)}
              set={(on) =>
                say({ without: on ? without.filter((id) => id !== a.id) : [...without, a.id] })
              }
            />
          ))}
        </fieldset>
      )}
      {adults && (
        <Tick id="adult" words={t('adultTick')} on={said.adult} set={(adult) => say({ adult })} />
      )}
      <Tick
        id="photos"
        words={t(recorded ? 'recordingsTick' : 'photosTick')}
        on={said.photos}
        set={(photos) => say({ photos })}
      />
      {said.photos && (
        <Tick
          id="gallery"
          words={t('galleryTick', { teacher: bundle.class.teacher })}
          on={said.gallery}
          set={(gallery) => say({ gallery })}
        />
      )}
      <div className="field mt-3">
        <label htmlFor="guardian">{t('yourName')}</label>
        <FormControl
          id="guardian"
          autoComplete="name"
          maxLength={80}
          value={said.guardian}
          onChange={(e) => say({ guardian: e.target.value })}
        />
      </div>
    </>
  );
}

function Tick({
  id,
  words,
  on,
  set,
}: {
  id: string;
  words: string;
  on: boolean;
  set: (v: boolean) => void;
}) {
  return (
    <div className="row-48">
      <FormCheckInput id={id} checked={on} onChange={(e) => set(e.target.checked)} />
      <label htmlFor={id}>{words}</label>
    </div>
  );
}

export function Numbers({ bundle }: { bundle: WorkProps['bundle'] }) {
  const t = useWords();
  const { emergency_number: emergency, poison_number: poison } = bundle.class;
  return (
    <p className="mt-3 mb-0">
      <a href={`tel:${emergency}`}>{t('emergency', { number: emergency })}</a>
      <br />
      <a href={`tel:${poison}`}>{t('poison', { number: poison })}</a>
    </p>
  );
}
