import type { TFunction } from 'i18next';
import { createContext, useContext } from 'react';
import { best, codes, startWords, type WordFiles } from '../../ui/language';

const files = import.meta.glob('../../../../internal/words/pages/family.*.json', {
  import: 'default',
}) as WordFiles;

export const languages = codes(files);
export const firstLanguage = () =>
  best(languages, [localStorage.getItem('pk-language') ?? '', ...navigator.languages]);

/** Interface words only: what an experiment, a number or a caution says comes from the server in the home's language. */
export const loadWords = (locale: string): Promise<TFunction> => startWords(files, locale);

export const WordsContext = createContext<TFunction>(
  ((key: string) => key) as unknown as TFunction,
);
export const useWords = () => useContext(WordsContext);
