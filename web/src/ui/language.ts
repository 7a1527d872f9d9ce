import i18next, { type TFunction } from 'i18next';

type Words = Record<string, string>;
/** The files of a page's words, as Vite finds them: one a language. */
export type WordFiles = Record<string, () => Promise<Words>>;

const codeOf = (path: string) => path.match(/\.([A-Za-z-]+)\.json$/)![1];

/** The languages that a page has words in. */
export const codes = (files: WordFiles) =>
  Object.keys(files)
    .map(codeOf)
    .filter((code) => !code.includes('-'))
    .sort();

/** The first of the wanted languages that there is; else the one that the page was written in. */
export const best = (offered: string[], wanted: readonly string[]) =>
  wanted.map((tag) => tag.split('-')[0].toLowerCase()).find((code) => offered.includes(code)) ??
  document.documentElement.lang.split('-')[0];

/** What a language is called in itself. */
export const nameOf = (code: string) => {
  const name = new Intl.DisplayNames([code], { type: 'language' }).of(code) ?? code;
  return name[0].toLocaleUpperCase(code) + name.slice(1);
};

/** What a language is called in another. */
export const nameIn = (code: string, language: string) =>
  new Intl.DisplayNames([language], { type: 'language' }).of(code) ?? code;

/** Loads the words of one language, with those that a country says otherwise (es-ES), and makes them those of the page. */
export async function startWords(files: WordFiles, locale: string): Promise<TFunction> {
  const read = async (code: string) =>
    files[Object.keys(files).find((path) => codeOf(path) === code) ?? '']?.() ?? {};
  const language = best(codes(files), [locale]);
  const [words, own] = await Promise.all([read(language), locale === language ? {} : read(locale)]);
  document.documentElement.lang = locale;
  if (!i18next.isInitialized)
    await i18next.init({
      lng: language,
      resources: {},
      keySeparator: false,
      nsSeparator: false,
      interpolation: { escapeValue: false },
    });
  i18next.addResourceBundle(language, 'translation', { ...words, ...own }, false, true);
  await i18next.changeLanguage(language);
  return i18next.getFixedT(language);
}
