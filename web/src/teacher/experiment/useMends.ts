import { useState } from 'react';
import { api, got, type Schemas } from '../../api/client';
import { put, type Doc } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { useEditing } from '../draft/fields';

/** Carries out what a line of the margin offers. */
export function useMends(replace: Replace) {
  const { doc } = useEditing();
  const [problem, setProblem] = useState<unknown>();
  const carry = async (mend: Schemas['MarginMend']) => {
    try {
      setProblem(undefined);
      const after = await changed(doc, mend);
      if (after) replace(after, mend.words, doc);
    } catch (error) {
      setProblem(error);
    }
  };
  return { carry, problem };
}

/** The document with a mend carried out; the rules of it live on the server. */
async function changed(document: Doc, mend: Schemas['MarginMend']): Promise<Doc | undefined> {
  if (mend.set) return put(document, keysOf(mend.set.path), mend.set.value);
  if (mend.safety)
    return (
      await got(api.POST('/api/v1/preview/mend', { body: { document, change: mend.safety } }))
    ).document as Doc;
  if (mend.sentence) {
    const { step, language, change } = mend.sentence;
    return (
      await got(
        api.POST('/api/v1/preview/take', { body: { document, step, language, answer: change } }),
      )
    ).document as Doc;
  }
  return undefined;
}

const keysOf = (pointer: string) =>
  pointer
    .split('/')
    .slice(1)
    .map((k) => (/^\d+$/.test(k) ? Number(k) : k));
