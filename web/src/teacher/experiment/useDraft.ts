import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, ProblemError, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { put, type Doc } from './document';

type DraftView = Schemas['DraftView'];
export type Review = Schemas['ReviewView'];

const keptKey = (id: string) => `pk-draft-${id}`;

/** An experiment's draft: saved as one types, kept on this computer until it is, judged by the server after each save. */
export function useDraft(id: string) {
  const query = useQuery({ queryKey: ['draft', id], queryFn: () => ask<DraftView>('GET', `/experiments/${id}`), staleTime: Infinity, refetchOnWindowFocus: false });
  const [doc, setDoc] = useState<Doc>();
  const [review, setReview] = useState<Review>();
  const [conflict, setConflict] = useState<DraftView>();
  const version = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const present = useRef<Doc | undefined>(undefined);
  const { setSaved, did } = useKeeping();

  useEffect(() => {
    const d = query.data;
    if (!d) return;
    version.current = d.version;
    setReview(d.review);
    const kept = localStorage.getItem(keptKey(id));
    const unsaved = kept && (JSON.parse(kept) as { version: number; doc: Doc });
    const next = unsaved && unsaved.version === d.version ? unsaved.doc : (d.document as Doc);
    present.current = next;
    setDoc(next);
    if (unsaved && unsaved.version === d.version) schedule(0);
    // loaded once for each experiment
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [query.data, id]);

  const save = useCallback(async () => {
    const document = present.current;
    if (!document) return;
    try {
      const saved = await ask<DraftView>('PUT', `/experiments/${id}`, { body: { document }, version: version.current });
      version.current = saved.version;
      setReview(saved.review);
      if (present.current === document) localStorage.removeItem(keptKey(id));
      setSaved(`Saved ${new Date().toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`);
    } catch (error) {
      if (error instanceof ProblemError && error.problem.code === 'changed-elsewhere') {
        setConflict(error.problem.current as DraftView);
        setSaved('Not saved: changed in another window');
      } else if (error instanceof ProblemError && error.offline) {
        setSaved('Offline: your changes are kept on this computer and go out by themselves');
        schedule(3000);
      } else {
        setSaved(`Not saved: ${error instanceof ProblemError ? error.problem.detail : 'a fault'}`);
      }
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, setSaved]);
  const schedule = useCallback(
    (after: number) => {
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void save(), after);
    },
    [save],
  );
  useEffect(() => () => clearTimeout(timer.current), []);

  const replace = useCallback(
    (next: Doc, words?: string) => {
      const before = present.current!;
      present.current = next;
      setDoc(next);
      localStorage.setItem(keptKey(id), JSON.stringify({ version: version.current, doc: next }));
      setSaved('Saving');
      schedule(600);
      if (words) did(words, () => replace(before));
    },
    [id, schedule, setSaved, did],
  );
  const set = useCallback((path: (string | number)[], value: unknown, words?: string) => replace(put(present.current!, path, value), words), [replace]);
  const settle = (keepMine: boolean) => {
    if (!conflict) return;
    version.current = conflict.version;
    if (keepMine) schedule(0);
    else {
      present.current = conflict.document as Doc;
      setDoc(present.current);
      setReview(conflict.review);
      localStorage.removeItem(keptKey(id));
    }
    setConflict(undefined);
  };
  return { query, doc, review, set, replace, conflict, settle };
}

export type Draft = ReturnType<typeof useDraft>;
