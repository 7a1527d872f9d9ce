import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useEffectEvent, useState, useSyncExternalStore } from 'react';
import { useKeeping } from '../frame/keeping';
import { put, type Doc } from './document';
import { gateTo } from './gate';
import { DraftStore, isDirty, type State } from './store';
import { say } from '../words';

export type { Review } from './store';

const stores = new Map<string, DraftStore>();

/** The draft of an experiment; one for the whole program, so that no page holds an older one. */
export function draftOf(id: string, client: QueryClient): DraftStore {
  let store = stores.get(id);
  if (!store) {
    store = new DraftStore(
      id,
      gateTo(id),
      () => void client.invalidateQueries({ queryKey: ['experiments'] }),
    );
    stores.set(id, store);
  }
  return store;
}

const clock = () =>
  new Date().toLocaleTimeString(document.documentElement.lang, {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });

/** What the foot of the page says of a draft. */
function savedWords(s: State): string {
  if (s.conflict) return say('useDraft.not-saved-changed-in-another-window');
  if (s.trouble?.offline) return say('useDraft.offline-your-changes-are-kept-on');
  if (s.trouble) return say('useDraft.not-saved-kept-on-this-computer', { words: s.trouble.words });
  return isDirty(s) || s.flight
    ? say('useDraft.saving')
    : say('useDraft.saved', { clock: clock() });
}

/** An experiment's draft: saved as one types, kept on this computer until it is, judged by the server after each save. */
export function useDraft(id: string) {
  const client = useQueryClient();
  const store = draftOf(id, client);
  const state = useSyncExternalStore(store.subscribe, store.snapshot);
  const [error, setError] = useState<unknown>();
  const { setSaved, did } = useKeeping();

  const open = useCallback(() => {
    setError(undefined);
    store.open().catch(setError);
  }, [store]);
  useEffect(() => {
    store.open().catch(setError);
  }, [store]);
  useEffect(() => {
    let touched = false; // nothing is said of a draft that was only opened
    return store.subscribe(() => {
      touched = touched || isDirty(store.state) || Boolean(store.state.trouble);
      if (touched) setSaved(savedWords(store.state));
    });
  }, [store, setSaved]);

  /** Takes the last change back, and gives the way forth again. */
  const back = useCallback(
    () => (store.undo() === undefined ? undefined : () => void store.redo()),
    [store],
  );
  const undoes = useEffectEvent((e: KeyboardEvent) => {
    const key = e.key.toLowerCase();
    if (!(e.ctrlKey || e.metaKey) || e.altKey || (key !== 'z' && key !== 'y')) return;
    // A form of its own, and the stations beside the design, keep the browser's undo.
    if (!document.querySelector('.designing') || (e.target as Element).closest?.('form')) return;
    e.preventDefault();
    if (key === 'y' || e.shiftKey) {
      const words = store.redo();
      if (words !== undefined) did(words || say('useDraft.done-again'), back);
    } else {
      const words = store.undo();
      if (words !== undefined)
        did(say('keeping.undone', { words: words || say('useDraft.typing') }));
    }
  });
  useEffect(() => {
    addEventListener('keydown', undoes);
    return () => removeEventListener('keydown', undoes);
  }, []);
  const replace = useCallback(
    (next: Doc, words?: string, from?: Doc, place?: string) => {
      store.change(from ?? store.state.doc!, next, words, place);
      if (words) did(words, back);
    },
    [store, did, back],
  );
  const set = useCallback(
    (path: (string | number)[], value: unknown, words?: string) =>
      replace(put(store.state.doc!, path, value), words, undefined, path.join('/')),
    [store, replace],
  );
  return {
    doc: state.doc,
    review: state.base?.review,
    state,
    error: state.doc ? undefined : error,
    open,
    set,
    replace,
    settle: (take: 'mine' | 'theirs' | 'both') => store.settle(take),
  };
}

/** Brings a document that was worked out on an older one (from) into the draft. */
export type Replace = ReturnType<typeof useDraft>['replace'];
