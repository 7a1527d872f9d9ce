import i18next, { type TOptions } from 'i18next';
import { cloneElement, type ReactElement } from 'react';
import type en from '../../../internal/words/pages/teacher.en.json';

type Plain<K> = K extends `${infer base}_${'zero' | 'one' | 'two' | 'few' | 'many' | 'other'}`
  ? base
  : K;
/** A sentence of the teacher's pages, by its place in internal/words/pages/teacher.<language>.json. */
export type Key = Plain<keyof typeof en>;

/** The sentence in the teacher's language. The words are loaded before the page, so it may be called anywhere. */
export const say = (key: Key, args: TOptions = {}): string =>
  i18next.t(
    key,
    Object.fromEntries(
      Object.entries(args).map(([name, value]) => [
        name,
        value === false || value == null ? '' : value,
      ]),
    ),
  );

/** A reason is kept as its code; words are somebody's own. */
export const because = (reason = '') => i18next.t(`reason.${reason}`, { defaultValue: reason });

/** A sentence with parts that are more than words: <0>…</0> in it is the first of `with`. */
export function Said({ of, with: parts }: { of: string; with: ReactElement[] }) {
  return (
    <>
      {of.split(/(<\d+>.*?<\/\d+>)/).map((piece, i) => {
        const [, n, inner] = piece.match(/^<(\d+)>(.*?)<\/\1>$/) ?? [];
        if (n === undefined) return piece;
        // eslint-disable-next-line react/no-array-index-key -- a sentence's parts keep their places
        return cloneElement(parts[Number(n)], { key: i }, ...(inner ? [inner] : []));
      })}
    </>
  );
}
