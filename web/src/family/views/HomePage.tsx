import { lazy, Suspense, useEffect, useEffectEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { NameLabel } from '../../ui/NameLabel';
import { Book } from '../phone/book';
import { otherHomes } from '../phone/db';
import { useHome, type Bundle, type HomeState, type Sheet } from '../phone/useHome';
import { HelpLine } from '../parts/HelpLine';
import { LanguageContext, ListContext, PhonePage } from '../parts/PhonePage';
import { clock } from '../parts/time';
import { useRecalled } from '../phone/useRecalled';
import { useWords } from '../words';
import { NeedsHelp } from './NeedsHelp';
import { Welcome } from './Welcome';
import { Work } from './Work';
import { WentWrong } from './WentWrong';

const Kitchen = lazy(() => import('./Kitchen').then((m) => ({ default: m.Kitchen })));

/** Where a home stands: #/assignment/view/number. Kept on the phone, so that it returns after the page was killed. */
export function useHash(state: HomeState) {
  const [hash, setHash] = useState(location.hash);
  const { keep } = state;
  useRecalled<string>(state, 'position', (kept) => {
    if (!kept || location.hash) return;
    history.replaceState(null, '', kept);
    setHash(kept);
  });
  useEffect(() => {
    const onChange = () => setHash(location.hash);
    addEventListener('popstate', onChange);
    addEventListener('hashchange', onChange);
    return () => {
      removeEventListener('popstate', onChange);
      removeEventListener('hashchange', onChange);
    };
  }, []);
  const go = (to: string) => {
    history.pushState(null, '', to);
    setHash(to);
    if (!to.endsWith('/wrong')) void keep('position', to);
  };
  return [hash.replace(/^#\//, '').split('/'), go] as const;
}

interface HomePageProps {
  home: string;
  language: string;
  onLanguage: (l: string) => void;
}

export function HomePage(props: HomePageProps) {
  return <HomePages {...props} state={useHome(props.home)} />;
}

/** The pages of a home, whoever keeps what is done on them. */
export function HomePages({
  practice,
  ...props
}: HomePageProps & { state: HomeState; practice?: boolean }) {
  const { state } = props;
  const [place, go] = useHash(state);
  const others = useOthers(props.home, practice);
  const several =
    (state.bundle?.sheets.length ?? 0) > 1 || state.bundle?.kitchen?.asked || others.length > 0;
  return (
    <LanguageContext.Provider
      value={
        practice || place[1] === 'welcome' || place[1] === 'wrong'
          ? undefined
          : () => go('#/-/welcome')
      }
    >
      <ListContext.Provider
        value={
          several && place[0] && place[1] !== 'welcome' && place[1] !== 'wrong'
            ? () => go('#/')
            : undefined
        }
      >
        <Places {...props} place={place} go={go} others={others} />
      </ListContext.Provider>
    </LanguageContext.Provider>
  );
}

type Others = { home: string; name: string }[];

/** The other homes on this phone. */
function useOthers(home: string, practice: boolean | undefined): Others {
  const [others, setOthers] = useState<Others>([]);
  useEffect(() => {
    let live = true;
    if (!practice)
      otherHomes(home).then(
        (all) => live && setOthers(all),
        () => undefined, // a phone that keeps nothing has none
      );
    return () => {
      live = false;
    };
  }, [home, practice]);
  return others;
}

function Places({
  language,
  onLanguage,
  state,
  place: [assignment, view, number],
  go,
  others,
}: HomePageProps & {
  state: HomeState;
  place: string[];
  go: (to: string) => void;
  others: Others;
}) {
  const t = useWords();
  const { bundle } = state;
  const [welcomed, setWelcomed] = useState<boolean>();
  useRecalled<boolean>(state, 'welcomed', (w) => setWelcomed(w ?? false));
  const follow = useEffectEvent((locale: string) => locale !== language && onLanguage(locale));
  const locale = bundle?.home.locale;
  useEffect(() => {
    if (locale) follow(locale);
  }, [locale]);

  if (!bundle || welcomed === undefined) {
    return (
      <PhonePage place="Patient Kitchen" heading={t('opening')} focusKey="loading" state={state}>
        {state.stopped && (
          <p>
            <a href="/code">{t('typeCode')}</a>
          </p>
        )}
      </PhonePage>
    );
  }
  const wrong = () => go(`#/${assignment || bundle.sheets[0]?.assignment || '-'}/wrong`);
  const sheet = bundle.sheets.find((s) => s.assignment === assignment);
  if (view === 'wrong')
    return <WentWrong state={state} bundle={bundle} sheet={sheet} onClose={() => history.back()} />;
  if (!welcomed || view === 'welcome') {
    return (
      <Welcome
        state={state}
        bundle={bundle}
        onLanguage={onLanguage}
        onWrong={wrong}
        onGo={async () => {
          // Kept before it shows: a page killed in the next breath does not ask again.
          await state.keep('welcomed', true);
          setWelcomed(true);
          go(
            bundle.sheets.length === 1 && !bundle.kitchen?.asked && others.length === 0
              ? `#/${bundle.sheets[0].assignment}`
              : '#/',
          );
        }}
      />
    );
  }
  if (view === 'kitchen' && !sheet)
    return (
      <Suspense>
        <Kitchen
          state={state}
          place={bundle.class.name}
          onWrong={wrong}
          onGo={() => void state.refresh().then(() => go('#/'))}
        />
      </Suspense>
    );
  if (view === 'help')
    return <NeedsHelp state={state} onClose={() => history.back()} onWrong={wrong} />;
  if (sheet)
    return (
      <Work
        key={sheet.assignment}
        state={state}
        bundle={bundle}
        sheet={sheet}
        view={view ?? ''}
        number={Number(number ?? 0)}
        go={go}
        onWrong={wrong}
      />
    );
  return <List {...{ state, bundle, language, others, go }} onWrong={wrong} />;
}

/** The experiments of a home, and its way to its kitchen and to the other homes on this phone. */
function List({
  state,
  bundle,
  language,
  others,
  go,
  onWrong,
}: {
  state: HomeState;
  bundle: Bundle;
  language: string;
  others: Others;
  go: (to: string) => void;
  onWrong: () => void;
}) {
  const t = useWords();
  return (
    <PhonePage
      place={[bundle.class.school, bundle.class.name].filter(Boolean).join(' · ')}
      heading={t('yourExperiments')}
      focusKey="list"
      state={state}
      onWrong={onWrong}
    >
      <p>
        <NameLabel name={bundle.home.nickname} />
      </p>
      {bundle.kitchen?.asked && (
        <button type="button" className="choice" onClick={() => go('#/-/kitchen')}>
          <span>
            <strong>{t('kitchenAsked')}</strong>
            <br />
            <span className="second">
              {t('kitchenAskedWhy', { teacher: bundle.class.teacher })}
            </span>
          </span>
        </button>
      )}
      {bundle.sheets.length === 0 && <p className="card-paper">{t('nothingYet')}</p>}
      {bundle.sheets.map((s) => (
        <button
          key={s.assignment}
          type="button"
          className="choice"
          onClick={() => go(`#/${s.assignment}`)}
        >
          <span>
            <strong>{s.title}</strong>
            <br />
            <span className="second">{stateWords(s, t, bundle.class.zone, language)}</span>
            {new Book(state.entries, s.assignment).sent()?.answer && (
              <span className="second">
                {' '}
                · <Icon name="send-check" /> {t('sentTitle')}
              </span>
            )}
          </span>
        </button>
      ))}
      <HelpLine state={state} go={go} />
      {others.length > 0 && (
        <p>
          <span className="second">{t('alsoHere')}:</span>{' '}
          {others.map((o) => (
            <a key={o.home} href={`/home/${o.home}`} className="me-3">
              {o.name}
            </a>
          ))}
        </p>
      )}
      {bundle.kitchen?.said && !bundle.kitchen.asked && (
        <p>
          <Button variant="plain" onClick={() => go('#/-/kitchen')}>
            {t('yourKitchen')}
          </Button>
        </p>
      )}
    </PhonePage>
  );
}

export function stateWords(
  s: Sheet,
  t: ReturnType<typeof useWords>,
  zone: string,
  language: string,
): string {
  const time = clock(s.state === 'waiting' ? s.opens_at : s.due_at, zone, language);
  return t(
    { waiting: 'stateWaiting', open: 'stateOpen', over: 'stateOver', recalled: 'stateRecalled' }[
      s.state
    ],
    { time },
  );
}
