import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got, type Schemas } from '../../api/client';
import { useSettled } from '../../ui/useSettled';
import type { Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { useEditing } from '../draft/fields';
import { say } from '../words';

export type Read = Schemas['SentenceView'];
export type Piece = Read['pieces'][number];

/** What the program reads in a step's text in a language, as it stands after a moment without a key. */
export function useReading(step: string, language: string) {
  const { doc } = useEditing();
  const settled = useSettled(doc);
  const reading = useQuery({
    queryKey: ['sentence', step, language, settled],
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/sentence', {
          body: { document: settled, step, language },
        }),
      ),
    placeholderData: (before, query) =>
      query?.queryKey[1] === step && query.queryKey[2] === language ? before : undefined,
    staleTime: Infinity,
    gcTime: 30_000,
  });
  /** What is shown was read of words that have changed since. */
  const busy =
    reading.isPlaceholderData ||
    reading.isFetching ||
    JSON.stringify(settled) !== JSON.stringify(doc);
  return { data: reading.data, busy };
}

/** Carries what the text says over into the design, when it is finished, and answers to what it leaves open. */
export function useTaking(step: string, language: string, text: string, replace: Replace) {
  const { doc } = useEditing();
  const [taken, setTaken] = useState(text); // as it was when this was last taken over
  const [problem, setProblem] = useState<unknown>();
  const send = async (
    body: { was?: string; answer?: Schemas['Revision']; typed?: string },
    words: string,
  ) => {
    try {
      setProblem(undefined);
      const after = await got(
        api.POST('/api/v1/preview/take', { body: { document: doc, step, language, ...body } }),
      );
      const next = after.document as Doc;
      replace(next, words, doc);
      setTaken(next.steps?.find((s) => s.id === step)?.text?.[language] ?? '');
      return true;
    } catch (error) {
      setProblem(error);
      return false;
    }
  };
  return {
    problem,
    /** Something was typed since. */
    pending: text !== taken,
    /** Takes over what the text says now and did not say before. */
    finish: () => {
      const was = taken;
      if (text === was) return Promise.resolve();
      setTaken(text); // Enter and leaving the field ask once
      return send({ was }, say('sentence.taken')).then((done) => {
        if (!done) setTaken(was);
      });
    },
    /** Takes over all of it, also what was put differently by hand. */
    again: () => send({ was: '' }, say('sentence.taken')),
    answer: (answer: Schemas['Revision'], typed?: string) =>
      send({ answer, ...(typed && { typed }) }, say('sentence.answered')),
  };
}
