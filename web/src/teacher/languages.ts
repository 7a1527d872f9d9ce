import { codes, nameOf, type WordFiles } from '../ui/language';

export const wordFiles = import.meta.glob('../../../internal/words/pages/teacher.*.json', {
  import: 'default',
}) as WordFiles;

/** The languages there are, by their codes. */
export const languages = codes(wordFiles);
/** The languages as choices, each called as it calls itself. */
export const languageChoices = languages.map((code): [string, string] => [code, nameOf(code)]);
/** The language of these pages. */
export const ownLanguage = () => document.documentElement.lang;
/** The language that things are also named in here. */
export const otherLanguage = () =>
  languages.find((code) => code !== ownLanguage()) ?? ownLanguage();
export { nameOf };
/** A tick of an axis as it is written here: the decimal sign of these pages, a true minus sign. */
export const tick = (value: number, step: number) => {
  const digits = Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
  const near = Math.abs(value) < step * 1e-6 ? 0 : value;
  return near
    .toLocaleString(ownLanguage(), {
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
      useGrouping: false,
    })
    .replace('-', '−');
};
/** A text of an experiment in the language of these pages, or in whichever it has. */
export const inOwn = (text: Record<string, string> | undefined) =>
  text?.[ownLanguage()] || Object.values(text ?? {}).find(Boolean) || '';
