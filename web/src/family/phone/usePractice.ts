import { useCallback, useEffect, useRef, useState } from 'react';
import { api } from '../../api/client';
import type { DryRun } from '../../ui/dryRun';
import { newID } from '../../ui/ids';
import type { LocalEntry } from './db';
import type { Bundle, HomeState } from './useHome';

/** The class and the home that a draft is looked at with; none is a usual home. */
function lookedAt() {
  const asked = new URLSearchParams(location.search);
  const [of, home] = [asked.get('class'), asked.get('home')];
  return { ...(of && { class: of }), ...(home && { home }) };
}

/** Tells the page around the phone what was done at a step. */
function tellOutside(
  bundle: Bundle | undefined,
  all: LocalEntry[],
  began: number,
  entry: LocalEntry['entry'],
  kept: Map<string, unknown>,
) {
  const { step, kind, refers } = entry;
  if (parent === self || !step) return;
  const tell = (dryRun: DryRun) => parent.postMessage({ dryRun }, location.origin);
  const picture = kind === 'photo' && (kept.get(`photo/${refers}`) as Blob | undefined);
  if (picture) tell({ step, picture });
  if (kind !== 'step-done') return;
  const now = Date.parse(entry.phone_time);
  const ends = all
    .filter((e) => e.entry.kind === 'step-done' && e.entry !== entry)
    .map((e) => [e.entry.step, Date.parse(e.entry.phone_time)] as const);
  const wait = bundle?.sheets[0]?.steps.find((s) => s.id === step)?.wait;
  const waited = ends.find(([id]) => id === wait?.from)?.[1];
  const open = wait && waited ? waited + wait.seconds * 1000 : 0;
  const since = Math.max(began, ...ends.map(([, at]) => at), open <= now ? open : 0);
  tell({ step, seconds: (now - since) / 1000 });
}

/** A home that nobody lives in: it works with a draft as a phone would, and what is entered goes nowhere. */
export function usePractice(experiment: string, language: string): HomeState {
  const [bundle, setBundle] = useState<Bundle>();
  const [entries, setEntries] = useState<LocalEntry[]>([]);
  const [online, setOnline] = useState(true);
  const kept = useRef(new Map<string, unknown>([['welcomed', true]]));
  const all = useRef<LocalEntry[]>([]);
  const began = useRef(0);
  const refresh = useCallback(async () => {
    try {
      const { data } = await api.GET('/api/v1/experiments/{experiment}/practice', {
        params: { path: { experiment }, query: { ...lookedAt(), language } },
      });
      if (data) setBundle(data);
      if (began.current === 0) began.current = Date.now();
      setOnline(true);
    } catch {
      setOnline(false);
    }
  }, [experiment, language]);
  useEffect(() => {
    let live = true;
    void (async () => {
      if (live) await refresh();
    })();
    return () => {
      live = false;
    };
  }, [refresh]);
  const nowhere = () => Promise.resolve();
  return {
    home: experiment,
    bundle,
    entries,
    queue: [],
    online,
    stopped: undefined,
    storeProblem: false,
    offset: 0,
    refresh,
    written: () => Promise.resolve(all.current),
    add(assignment, fields) {
      const id = newID();
      const entry = { ...fields, phone_time: new Date().toISOString(), offset_ms: 0 };
      all.current = [...all.current, { id, assignment, entry }];
      setEntries(all.current);
      tellOutside(bundle, all.current, began.current, entry, kept.current);
      return Promise.resolve(id);
    },
    addMedia(_assignment, blob) {
      const id = newID();
      kept.current.set(`photo/${id}`, blob);
      return Promise.resolve(id);
    },
    picture: (_assignment, id) => `/api/v1/experiments/${experiment}/pictures/${id}`,
    sayKitchen: nowhere,
    tell: nowhere,
    drop: nowhere,
    retry: nowhere,
    photo: (id) => Promise.resolve(kept.current.get(`photo/${id}`) as Blob | undefined),
    keep(key, value) {
      kept.current.set(key, value);
      return Promise.resolve();
    },
    recall: <T>(key: string) => Promise.resolve(kept.current.get(key) as T | undefined),
  };
}
