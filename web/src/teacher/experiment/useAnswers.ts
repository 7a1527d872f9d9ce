import { useState } from 'react';
import { useMe } from '../frame/useMe';
import { api, got, type Schemas } from '../../api/client';
import type { Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { useEditing } from '../draft/fields';
import type { Finding } from './FindingCard';
import { say } from '../words';

/** How a finding is answered: a mend is taken, or its sentence is said to mean something else. */
export function useAnswers(replace: Replace) {
  const { doc, set } = useEditing();
  const session = useMe();
  const [problem, setProblem] = useState<unknown>();
  const by = session.data?.name ?? '';
  const take = async (change: Schemas['Change'], words: string) => {
    try {
      setProblem(undefined);
      replace(
        (await got(api.POST('/api/v1/preview/mend', { body: { document: doc, change } })))
          .document as Doc,
        words,
        doc,
      );
    } catch (error) {
      setProblem(error);
    }
  };
  const other = (f: Finding, reason: string) =>
    f.said &&
    set(
      ['heard'],
      [
        ...(doc.heard ?? []).filter((h) => h.key !== f.said!.key),
        {
          key: f.said.key,
          concept: f.said.concept,
          answer: 'other',
          ...(reason && { reason }),
          by,
        },
      ],
      say('useAnswers.said-that-it-means-something-else'),
    );
  return { take, other, problem, by };
}
