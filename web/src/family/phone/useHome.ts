import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { api, ProblemError, type Schemas } from '../../api/client';
import {
  openHome,
  queueKitchen,
  storePage,
  type Database,
  type Entry,
  type LocalEntry,
  type Waiting,
} from './db';
import { newID } from '../../ui/ids';
import { send, type Stopped } from './sender';

export type Bundle = Schemas['Bundle'];
export type Sheet = Schemas['Sheet'];

/** What a home's page works with; it is the same with and without a connection. */
export interface HomeState {
  home: string;
  bundle: Bundle | undefined;
  entries: LocalEntry[];
  queue: Waiting[];
  online: boolean;
  stopped: Stopped;
  /** The phone cannot keep anything: full, or closed to this page. */
  storeProblem: boolean;
  /** Server's clock minus the phone's, in milliseconds, as last measured. */
  offset: number;
  add: (assignment: string, entry: Omit<Entry, 'phone_time' | 'offset_ms'>) => Promise<string>;
  /** Keeps a photo, or a clip or sound, to be sent before the entry that speaks of it. */
  addMedia: (assignment: string, blob: Blob, type: 'photo' | 'recording') => Promise<string>;
  /** All that a home says of its kitchen, in the stead of what still waits of it. */
  sayKitchen: (answers: Schemas['Fields']) => Promise<void>;
  tell: (id: string, body: Omit<Schemas['IncidentFields'], 'phone_time'>) => Promise<void>;
  drop: (waiting: Waiting) => Promise<void>;
  retry: (waiting: Waiting) => Promise<void>;
  photo: (id: string) => Promise<Blob | undefined>;
  /** Where a picture of a design is. */
  picture: (assignment: string, id: string) => string;
  /** Resolves when it is kept, or when the phone has refused to keep it. */
  keep: (key: string, value: unknown) => Promise<void>;
  recall: <T>(key: string) => Promise<T | undefined>;
  refresh: () => Promise<void>;
  /** What is written by now, also where the page has not come to show it. */
  written: () => Promise<LocalEntry[]>;
}

const pollEvery = 15_000;

export function useHome(home: string): HomeState {
  const db = useMemo(() => openHome(home), [home]);
  const [bundle, setBundle] = useState<Bundle>();
  const [entries, setEntries] = useState<LocalEntry[]>([]);
  const [queue, setQueue] = useState<Waiting[]>([]);
  const [online, setOnline] = useState(navigator.onLine);
  const [stopped, setStopped] = useState<Stopped>();
  const [storeProblem, setStoreProblem] = useState(false);
  const [offset, setOffset] = useState(0);
  const offsetRef = useRef(0);
  const channel = useMemo(
    () => ('BroadcastChannel' in self ? new BroadcastChannel(`pk-${home}`) : undefined),
    [home],
  );

  const load = useCallback(async () => {
    const d = await db;
    setEntries(await d.getAll('entries'));
    setQueue(await d.getAll('queue'));
  }, [db]);

  const changed = useCallback(() => {
    void load();
    channel?.postMessage('changed');
  }, [load, channel]);

  const sending = useRef(false);
  const pause = useRef(1000);
  const pump = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      const result = await send(home, await db, changed);
      if (result.stopped) setStopped(result.stopped);
      if (result.answered > 0) setOnline(true);
      else if (result.again && !result.busy) setOnline(false);
      pause.current = result.again ? Math.min(60_000, pause.current * 2) : 1000;
      if (result.again) setTimeout(() => void pump(), pause.current * (0.75 + Math.random() / 2));
    } finally {
      sending.current = false;
      await load();
    }
  }, [home, db, changed, load]);

  const refresh = useCallback(async () => {
    const d = await db;
    try {
      const asked = Date.now();
      const known = (await d.get('kv', 'tag')) as string | undefined;
      const { data: fresh, response } = await api.GET('/api/v1/home/{home}', {
        params: { path: { home } },
        headers: known ? { 'If-None-Match': known } : {},
      });
      const now = Date.parse(response.headers.get('Server-Time') ?? '');
      const tag = response.headers.get('ETag') ?? undefined;
      const measured = Math.round(now - (asked + Date.now()) / 2);
      offsetRef.current = measured;
      setOffset(measured);
      await d.put('kv', measured, 'offset');
      if (fresh) {
        await storePage(d, fresh, tag);
        await load();
        setBundle(fresh);
      }
      setOnline(true);
      setStopped(undefined);
    } catch (error) {
      if (error instanceof ProblemError) {
        if (error.offline) setOnline(false);
        if (error.problem.code === 'replaced-link' || error.problem.code === 'open-link')
          setStopped(error.problem.code);
      } else setStoreProblem(true);
    }
    await load();
    void pump();
  }, [home, db, load, pump]);

  useEffect(() => {
    let live = true;
    void (async () => {
      try {
        const d = await db;
        const [kept, keptOffset] = [
          (await d.get('kv', 'bundle')) as Bundle | undefined,
          (await d.get('kv', 'offset')) as number | undefined,
        ];
        // What was done comes before what is to do: a step without its entries
        // would show neither its clock nor its readings until the server answers.
        await load();
        if (!live) return;
        if (kept)
          setBundle({
            ...kept,
            home: { ...kept.home, locale: kept.home.locale ?? kept.home.language },
          }); // kept by an older page
        offsetRef.current = keptOffset ?? 0;
        setOffset(keptOffset ?? 0);
        void navigator.storage?.persist?.();
      } catch {
        setStoreProblem(true);
      }
      await refresh();
    })();
    const onVisible = () => document.visibilityState === 'visible' && void refresh();
    const onOnline = () => void refresh();
    const onOffline = () => setOnline(false);
    const timer = setInterval(
      () => document.visibilityState === 'visible' && void refresh(),
      pollEvery,
    );
    document.addEventListener('visibilitychange', onVisible);
    addEventListener('online', onOnline);
    addEventListener('offline', onOffline);
    const onMessage = () => void load();
    channel?.addEventListener('message', onMessage);
    return () => {
      live = false;
      clearInterval(timer);
      document.removeEventListener('visibilitychange', onVisible);
      removeEventListener('online', onOnline);
      removeEventListener('offline', onOffline);
      channel?.removeEventListener('message', onMessage);
    };
  }, [refresh, db, load, channel]);

  const put = useCallback(
    async (write: (d: Database) => Promise<void>) => {
      try {
        await write(await db);
      } catch (error) {
        setStoreProblem(true);
        throw error;
      }
      changed();
      void pump();
    },
    [db, changed, pump],
  );

  return {
    home,
    bundle,
    entries,
    queue,
    online,
    stopped,
    storeProblem,
    offset,
    refresh,
    written: () => db.then((d) => d.getAll('entries')).catch(() => entries), // a phone that keeps nothing shows what it has
    async add(assignment, fields) {
      const id = newID();
      const plan = bundle?.sheets.find((s) => s.assignment === assignment)?.plan;
      const entry: Entry = {
        ...fields,
        ...(plan && { plan }),
        phone_time: new Date().toISOString(),
        offset_ms: offsetRef.current,
      };
      await put(async (d) => {
        const tx = d.transaction(['entries', 'queue'], 'readwrite');
        await Promise.all([
          tx.objectStore('entries').put({ id, assignment, entry }),
          tx
            .objectStore('queue')
            .add({ type: 'entry', id, assignment, body: JSON.stringify(entry) }),
          tx.done,
        ]);
      });
      return id;
    },
    async addMedia(assignment, blob, type) {
      const id = newID();
      await put(async (d) => {
        const tx = d.transaction(['photos', 'queue'], 'readwrite');
        await Promise.all([
          tx.objectStore('photos').put(blob, id),
          tx.objectStore('queue').add({ type, id, assignment, body: '' }),
          tx.done,
        ]);
      });
      return id;
    },
    async sayKitchen(answers) {
      await put((d) => queueKitchen(d, JSON.stringify(answers)));
    },
    async tell(id, fields) {
      const body = JSON.stringify({ ...fields, phone_time: new Date().toISOString() });
      await put(
        async (d) =>
          void (await d.add('queue', {
            type: 'incident',
            id,
            assignment: fields.assignment ?? '',
            body,
          })),
      );
    },
    async drop(w) {
      await put(async (d) => {
        await d.delete('queue', w.seq!);
        if (w.type === 'entry') await d.delete('entries', w.id);
        if (w.type === 'photo' || w.type === 'recording') await d.delete('photos', w.id);
      });
    },
    async retry(w) {
      await put(async (d) => void (await d.put('queue', { ...w, problem: undefined })));
    },
    photo: async (id) => (await db).get('photos', id),
    picture: (assignment, id) => `/api/v1/home/${home}/assignments/${assignment}/pictures/${id}`,
    keep: (key, value) =>
      db
        .then(
          async (d) =>
            void (value === undefined ? await d.delete('kv', key) : await d.put('kv', value, key)),
        )
        .catch(() => setStoreProblem(true)),
    recall: async <T>(key: string) => (await (await db).get('kv', key)) as T | undefined,
  };
}
