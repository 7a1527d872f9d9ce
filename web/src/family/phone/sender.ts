import { api, got, ProblemError } from '../../api/client';
import type { Database, Waiting } from './db';

/** What stops the whole queue: the phone is no longer let in. */
export type Stopped = 'replaced-link' | 'open-link' | undefined;

export interface SendResult {
  /** Something waits that may be tried again later. */
  again: boolean;
  stopped: Stopped;
  /** How many things the server took or refused: above none there is a connection. */
  answered: number;
  /** Another tab is sending; it knows how things stand. */
  busy?: boolean;
}

/** A body that goes as the bytes it is kept as, whatever its kind. */
const asKept = (kept: Blob | string, type: string) => ({
  body: kept as never,
  bodySerializer: () => kept,
  headers: { 'Content-Type': type },
});

async function sendOne(home: string, db: Database, w: Waiting): Promise<void> {
  if (w.type === 'incident') {
    await api.PUT('/api/v1/home/{home}/incidents/{incident}', {
      params: { path: { home, incident: w.id } },
      ...asKept(w.body, 'application/json'),
    });
    return;
  }
  if (w.type === 'kitchen') {
    await api.PUT('/api/v1/home/{home}/kitchen', {
      params: { path: { home } },
      ...asKept(w.body, 'application/json'),
    });
    return;
  }
  const of = { home, assignment: w.assignment };
  if (w.type === 'photo' || w.type === 'recording') {
    const blob = await db.get('photos', w.id);
    if (blob && w.type === 'photo')
      await api.PUT('/api/v1/home/{home}/assignments/{assignment}/photos/{photo}', {
        params: { path: { ...of, photo: w.id } },
        ...asKept(blob, blob.type || 'image/jpeg'),
      });
    else if (blob)
      await api.PUT('/api/v1/home/{home}/assignments/{assignment}/recordings/{recording}', {
        params: { path: { ...of, recording: w.id } },
        ...asKept(blob, blob.type || 'video/mp4'),
      });
    return;
  }
  const answer = await got(
    api.PUT('/api/v1/home/{home}/assignments/{assignment}/entries/{entry}', {
      params: { path: { ...of, entry: w.id } },
      ...asKept(w.body, 'application/json'),
    }),
  );
  const local = await db.get('entries', w.id);
  if (local) await db.put('entries', { ...local, answer });
}

/**
 * Sends what waits, strictly in order, by one sender at a time over all tabs.
 * Refused things go to the list that needs help and do not hold up the rest.
 */
export async function send(home: string, db: Database, changed: () => void): Promise<SendResult> {
  let answered = 0;
  const work = async (): Promise<SendResult> => {
    for (; ; answered++) {
      const next = (await db.getAll('queue')).find((w) => !w.problem);
      if (!next) return { again: false, stopped: undefined, answered };
      try {
        await sendOne(home, db, next);
        await db.delete('queue', next.seq!);
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error;
        const { status, code } = error.problem;
        if (code === 'replaced-link' || code === 'open-link')
          return { again: false, stopped: code, answered };
        const later =
          error.offline ||
          status >= 500 ||
          status === 0 ||
          status === 408 ||
          status === 425 ||
          status === 429;
        if (later) return { again: true, stopped: undefined, answered };
        // What was replaced or dropped meanwhile does not come back.
        if (await db.get('queue', next.seq!))
          await db.put('queue', { ...next, problem: error.problem });
      }
      changed();
    }
  };
  if (!navigator.locks) return work();
  return navigator.locks.request(`pk-send-${home}`, { ifAvailable: true }, async (lock) =>
    lock ? work() : { again: true, stopped: undefined as Stopped, answered: 0, busy: true },
  );
}
