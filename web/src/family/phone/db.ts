import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Problem, Schemas } from '../../api/client';

export type Entry = Schemas['EntryFields'];
export type Answer = Schemas['EntryView'];

/** An entry as this phone knows it: with the server's answer once it has one. */
export interface LocalEntry {
  id: string;
  assignment: string;
  entry: Entry;
  answer?: Answer;
}

/** Something that waits to be sent. Photos and recordings stand before the entries that speak of them. */
export interface Waiting {
  seq?: number;
  type: 'entry' | 'photo' | 'recording' | 'incident' | 'kitchen';
  id: string;
  assignment: string;
  body: string; // exact bytes, so that a repeat is the same
  /** Set when the server refused it: it stays here until someone helps. */
  problem?: Problem;
}

interface HomeDB extends DBSchema {
  kv: { key: string; value: unknown };
  entries: { key: string; value: LocalEntry; indexes: { assignment: string } };
  queue: { key: number; value: Waiting };
  photos: { key: string; value: Blob };
}

export type Database = IDBPDatabase<HomeDB>;

/** Each home on a phone has a store of its own; two homes never mix. */
export function openHome(home: string): Promise<Database> {
  return openDB<HomeDB>(`pk-${home}`, 1, {
    upgrade(db) {
      db.createObjectStore('kv');
      db.createObjectStore('entries', { keyPath: 'id' }).createIndex('assignment', 'assignment');
      db.createObjectStore('queue', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('photos');
    },
  });
}

/** Queues all that a home says of its kitchen, in the stead of what still waits of it. */
export async function queueKitchen(d: Database, body: string): Promise<void> {
  const tx = d.transaction('queue', 'readwrite');
  for (let c = await tx.store.openCursor(); c; c = await c.continue())
    if (c.value.type === 'kitchen') await c.delete();
  await tx.store.add({ type: 'kitchen', id: 'kitchen', assignment: '', body });
  await tx.done;
}

/** Keeps a home's page as the server gave it, with the entries on it. */
export async function storePage(
  d: Database,
  page: Schemas['Bundle'],
  tag: string | undefined,
): Promise<void> {
  const tx = d.transaction(['entries', 'kv'], 'readwrite');
  const entries = tx.objectStore('entries');
  for (const sheet of page.sheets) {
    for (const e of sheet.entries)
      void entries.put({ id: e.id, assignment: sheet.assignment, entry: e.entry, answer: e });
  }
  void tx.objectStore('kv').put(page, 'bundle');
  void tx.objectStore('kv').put(tag, 'tag');
  await tx.done;
}

/** The same before the home's page is open. */
export async function keepPage(home: string, page: Schemas['Bundle'], tag: string): Promise<void> {
  const d = await openHome(home);
  await storePage(d, page, tag);
  d.close();
}

interface IndexDB extends DBSchema {
  links: { key: string; value: string };
}

const openIndex = () =>
  openDB<IndexDB>('pk-index', 1, { upgrade: (db) => void db.createObjectStore('links') });

/** Remembers which home a link opened, for the next time without a connection. */
export async function rememberLink(hash: string, home: string): Promise<void> {
  const db = await openIndex();
  await db.put('links', home, hash);
  db.close();
}

/** The other homes that were opened on this phone: a guardian can have children in two classes. */
export async function otherHomes(home: string): Promise<{ home: string; name: string }[]> {
  const db = await openIndex();
  const all = [...new Set(await db.getAll('links'))].filter((h) => h !== home);
  db.close();
  const found = await Promise.all(
    all.map(async (h) => {
      const d = await openHome(h);
      const page = (await d.get('kv', 'bundle')) as Schemas['Bundle'] | undefined;
      d.close();
      return page && { home: h, name: `${page.class.name} · ${page.home.nickname}` };
    }),
  );
  return found.filter((f) => f !== undefined);
}

export async function homeOfLink(hash: string): Promise<string | undefined> {
  const db = await openIndex();
  const home = await db.get('links', hash);
  db.close();
  return home;
}
