import i18next, { type TFunction } from 'i18next';
import { createContext, useContext } from 'react';

/** Interface words only: what an experiment, a number or a caution says comes from the server in the home's language. */
export async function loadWords(language: string): Promise<TFunction> {
  const words = language === 'es' ? (await import('./es')).es : (await import('./en')).en;
  const one = i18next.createInstance();
  document.documentElement.lang = language;
  return one.init({ lng: language, resources: { [language]: { translation: words } }, interpolation: { escapeValue: false } });
}

export const WordsContext = createContext<TFunction>(((key: string) => key) as unknown as TFunction);
export const useWords = () => useContext(WordsContext);
