import { useState } from 'react';
import { api, got, type Schemas } from '../../api/client';
import type { Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { useEditing } from '../draft/fields';
import { say } from '../words';

export type Peg = NonNullable<Schemas['NoteBody']['peg']>;

/** The pegs with the key that hangs each, after an h. */
export const pegs: [string, Peg, string][] = [
  ['r', 'reading', say('peg.reading')],
  ['p', 'photo', say('readingsBand.photo')],
  ['c', 'clip', say('peg.clip')],
  ['m', 'sound', say('peg.sound')],
  ['b', 'drawing', say('peg.drawing')],
  ['a', 'adult-near', say('peg.adult-near')],
  ['h', 'hazard', say('peg.hazard')],
  ['e', 'look', say('peg.look')],
  ['q', 'question', say('peg.question')],
  ['k', 'keep', say('peg.keep')],
  ['d', 'gate', say('peg.gate')],
];

/** Puts what one line says behind a step, or hangs a peg on it; the rules of it live on the server. */
export function useNote(replace: Replace, onPlace: (at: string) => void) {
  const { doc, language } = useEditing();
  const [problem, setProblem] = useState<unknown>();
  const ask = (step: string | undefined, what: { line?: string; peg?: Peg }) =>
    got(
      api.POST('/api/v1/preview/note', {
        body: { document: doc, language, ...(step && { step }), ...what },
      }),
    );
  const attempt = async <T>(act: () => Promise<T>): Promise<T | undefined> => {
    try {
      setProblem(undefined);
      return await act();
    } catch (error) {
      setProblem(error);
      return undefined;
    }
  };
  const take = (step: string, answer: Schemas['Revision'], words: string) =>
    attempt(async () => {
      const after = await got(
        api.POST('/api/v1/preview/take', { body: { document: doc, step, language, answer } }),
      );
      replace(after.document as Doc, words, doc);
    });
  return {
    problem,
    /** What a line would add, in a sentence. */
    wouldAdd: (step: string | undefined, line: string) =>
      attempt(async () => (await ask(step, { line })).words),
    add: (step: string | undefined, what: { line?: string; peg?: Peg }) =>
      attempt(async () => {
        const noted = await ask(step, what);
        replace(noted.document as Doc, noted.words, doc);
        onPlace(noted.at);
        return noted;
      }),
    /** Makes two steps of one, behind its first sentence. */
    split: (step: string) => take(step, { kind: 'split' }, say('steps.split-a-step')),
    /** Makes one step of a step and the one behind it, where nothing stands between them. */
    join: (step: string) => take(step, { kind: 'join' }, say('steps.joined-two-steps')),
  };
}
