import type { TFunction } from 'i18next';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Enter } from './views/Enter';
import { HomePage } from './views/HomePage';
import { firstLanguage, loadWords, WordsContext } from './words';

const Practice = lazy(() => import('./views/Practice').then((m) => ({ default: m.Practice })));

/** /h/:token and /code let a phone in; /home/:home is the home's own page. */
export function App() {
  const [home, setHome] = useState(() => location.pathname.match(/^\/home\/([0-9a-f-]{36})$/)?.[1]);
  const practice = location.pathname.match(/^\/practice\/([0-9a-f-]{36})$/)?.[1];
  const [language, setLanguage] = useState(
    () => (practice && new URLSearchParams(location.search).get('language')) || firstLanguage(),
  );
  const [words, setWords] = useState<TFunction>();
  useEffect(() => {
    let live = true;
    if (!practice) localStorage.setItem('pk-language', language);
    void loadWords(language).then((t) => live && setWords(() => t));
    return () => {
      live = false;
    };
  }, [language, practice]);
  if (!words) return null;
  if (practice)
    return (
      <WordsContext.Provider value={words}>
        <Suspense>
          <Practice experiment={practice} language={language} onLanguage={setLanguage} />
        </Suspense>
      </WordsContext.Provider>
    );
  return (
    <WordsContext.Provider value={words}>
      {home ? (
        <HomePage key={home} home={home} language={language} onLanguage={setLanguage} />
      ) : (
        <Enter
          onOpened={(id) => {
            history.replaceState(null, '', `/home/${id}`);
            setHome(id);
          }}
        />
      )}
    </WordsContext.Provider>
  );
}
