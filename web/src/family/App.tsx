import type { TFunction } from 'i18next';
import { useEffect, useState } from 'react';
import { Enter } from './views/Enter';
import { HomePage } from './views/HomePage';
import { firstLanguage, loadWords, WordsContext } from './words';

/** /h/:token and /code let a phone in; /home/:home is the home's own page. */
export function App() {
  const [home, setHome] = useState(() => location.pathname.match(/^\/home\/([0-9a-f-]{36})$/)?.[1]);
  const [language, setLanguage] = useState(firstLanguage);
  const [words, setWords] = useState<TFunction>();
  useEffect(() => {
    let live = true;
    localStorage.setItem('pk-language', language);
    void loadWords(language).then((t) => live && setWords(() => t));
    return () => {
      live = false;
    };
  }, [language]);
  if (!words) return null;
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
