import { ProblemError, type Schemas } from '../../api/client';
import type { Doc } from './document';
import { merge, same } from './merge';
import { say } from '../words';

export type Review = Schemas['ReviewView'];

/** What the server keeps of an experiment. */
export interface Kept {
  version: number;
  document: Doc;
  review: Review;
}

/** A draft: what the server had last, what stands on the page, what is under way between them. */
export interface State {
  base?: Kept;
  doc?: Doc;
  /** The document that is being saved; one request at a time. */
  flight?: Doc;
  /** What was being saved when its page was left: it may have arrived, or may still. */
  lost?: Doc;
  /** Somebody else's, where both changed something. Nothing is sent until it is settled. */
  conflict?: { theirs: Kept; from: Doc };
  trouble?: Trouble;
}

/** Why the last request came to nothing; what waits is tried again by itself, the rest at the next change. */
export interface Trouble {
  words: string;
  waits: boolean;
  offline: boolean;
}

export type Event =
  | { is: 'loaded'; kept: Kept; copy?: Copy }
  | { is: 'edited'; doc: Doc }
  | { is: 'sending' }
  | { is: 'saved'; kept: Kept }
  | { is: 'overtaken'; theirs: Kept }
  | { is: 'failed'; trouble: Trouble }
  | { is: 'settled'; take: 'mine' | 'theirs' | 'both' };

/** What this computer keeps of a draft until the server has it, with the document that it began from. */
export interface Copy {
  version: number;
  from: Doc;
  doc: Doc;
  /** What was under way to the server. */
  sent?: Doc;
}

/** Whether something on the page is not on the server. */
export const isDirty = (s: State) =>
  s.doc !== undefined && s.base !== undefined && !same(s.doc, s.base.document);

/** Whether a save should be sent now. */
export const isDue = (s: State) => isDirty(s) && !s.flight && !s.conflict;

/** A draft after something happened to it. */
export function reduce(s: State, e: Event): State {
  switch (e.is) {
    case 'loaded':
      if (s.base && (s.flight || s.conflict || isDirty(s) || e.kept.version <= s.base.version))
        return s; // what is typed here goes first
      if (e.copy)
        return meet(
          {
            ...s,
            base: { ...e.kept, version: e.copy.version, document: e.copy.from },
            doc: e.copy.doc,
            lost: e.copy.sent,
          },
          e.kept,
        );
      return {
        ...s,
        base: e.kept,
        doc: s.doc && same(s.doc, e.kept.document) ? s.doc : e.kept.document,
        trouble: undefined,
      };
    case 'edited':
      return { ...s, doc: e.doc };
    case 'sending':
      return { ...s, flight: s.doc, trouble: undefined };
    case 'saved':
      return {
        ...s,
        base: { ...e.kept, document: s.flight ?? e.kept.document },
        flight: undefined,
        trouble: undefined,
      };
    case 'overtaken': {
      const sent = s.flight;
      const landed = { ...s, flight: undefined };
      // Our own save, whose answer was lost on the way.
      if (sent && same(sent, e.theirs.document))
        return { ...landed, base: { ...e.theirs, document: sent }, trouble: undefined };
      return meet(landed, e.theirs);
    }
    case 'failed':
      return { ...s, flight: undefined, trouble: e.trouble };
    case 'settled': {
      if (!s.conflict) return s;
      const { theirs, from } = s.conflict;
      const doc = {
        mine: s.doc,
        theirs: theirs.document,
        both: merge(from, s.doc, theirs.document).value,
      }[e.take];
      return { ...s, base: theirs, doc, conflict: undefined };
    }
  }
}

/** A draft and a newer one of the server: only where both changed something there is a conflict. */
function meet(s: State, theirs: Kept): State {
  const from = s.base!.document;
  if (same(theirs.document, from) || same(theirs.document, s.doc)) return { ...s, base: theirs };
  if (same(s.doc, from)) return { ...s, base: theirs, doc: theirs.document };
  if (s.lost && same(s.lost, theirs.document)) return { ...s, base: theirs, lost: undefined };
  return { ...s, conflict: { theirs, from } };
}

/** What stands between a draft and its server. */
export interface Gate {
  load: () => Promise<Kept>;
  save: (doc: Doc, version: number) => Promise<Kept>;
  /** The server's draft, where a save failed because somebody else was faster. */
  overtaken: (error: unknown) => Kept | undefined;
  trouble: (error: unknown) => Trouble;
}

/** A change with the way back. */
interface Step {
  before: Doc;
  after: Doc;
  words: string;
  place: string;
  at: number;
}

const together = 2000; // ms within which keys at one place are one change
const mostSteps = 200;
const settles = 600; // ms without a key before a save
const retries = 3000; // ms until what waits is tried again

/** One experiment's draft, for as long as the program is open: it goes on saving when its page is left. */
export class DraftStore {
  state: State = {};
  private listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private loading = false;
  /** Keys of the copies on this computer that are of this page, not of another window. */
  private copies = new Set<string>();
  readonly id: string;
  private gate: Gate;
  private onSaved: () => void;

  constructor(id: string, gate: Gate, onSaved: () => void = () => undefined) {
    this.id = id;
    this.gate = gate;
    this.onSaved = onSaved;
    addEventListener('online', () => this.later(0));
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  snapshot = () => this.state;

  private happen(e: Event) {
    this.state = reduce(this.state, e);
    keepCopy(this.id, this.state, this.copies);
    this.listeners.forEach((l) => l());
  }

  /** Fetches the draft, or looks whether there is a newer one; what is typed here stays. */
  async open() {
    if (this.loading) return;
    this.loading = true;
    try {
      const kept = await this.gate.load();
      this.happen({
        is: 'loaded',
        kept,
        copy: this.state.doc ? undefined : copyOf(this.id, kept, this.copies),
      });
      this.later(0);
    } finally {
      this.loading = false;
    }
  }

  edit(doc: Doc) {
    this.happen({ is: 'edited', doc });
    this.later(settles);
  }

  /** What was changed, the last at the end, and what was taken back. */
  private past: Step[] = [];
  private future: Step[] = [];

  /**
   * Brings a change that was worked out on an older state into the present one. Keys at one
   * place in a row are one change.
   */
  change(before: Doc, after: Doc, words = '', place = '') {
    const last = this.past.at(-1);
    const now = Date.now();
    if (
      last &&
      place &&
      last.place === place &&
      now - last.at < together &&
      this.future.length === 0
    )
      this.past[this.past.length - 1] = { ...last, after, at: now };
    else this.past.push({ before, after, words, place, at: now });
    this.past = this.past.slice(-mostSteps);
    this.future = [];
    this.edit(merge(before, this.state.doc, after).value!);
  }

  /** Takes the last change back, and says what it was; undefined where there is none. */
  undo(): string | undefined {
    const step = this.past.pop();
    if (!step) return undefined;
    this.future.push(step);
    this.edit(merge(step.after, this.state.doc, step.before).value!);
    return step.words;
  }

  /** Does again what was taken back last. */
  redo(): string | undefined {
    const step = this.future.pop();
    if (!step) return undefined;
    this.past.push(step);
    this.edit(merge(step.before, this.state.doc, step.after).value!);
    return step.words;
  }

  settle(take: 'mine' | 'theirs' | 'both') {
    this.happen({ is: 'settled', take });
    this.later(0);
  }

  /** Saves at once what waits, and gives what the server has then; fails where it cannot. */
  flush(): Promise<Kept> {
    return new Promise((resolve, reject) => {
      const look = () => {
        const { base, flight, conflict, trouble } = this.state;
        if (base && !flight && !isDirty(this.state)) resolve(base);
        else if (conflict) reject(notSaved(say('store.the-experiment-was-changed-in-another')));
        else if (trouble && !flight)
          reject(notSaved(say('store.the-experiment-is-not-saved', { words: trouble.words })));
        else return;
        stop();
      };
      const stop = this.subscribe(look);
      if (isDirty(this.state)) this.later(0);
      queueMicrotask(look);
    });
  }

  private later(after: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), after);
  }

  private async send() {
    if (!isDue(this.state)) return;
    this.happen({ is: 'sending' });
    try {
      this.happen({
        is: 'saved',
        kept: await this.gate.save(this.state.flight!, this.state.base!.version),
      });
      this.onSaved();
    } catch (error) {
      const theirs = this.gate.overtaken(error);
      if (theirs) this.happen({ is: 'overtaken', theirs });
      else this.happen({ is: 'failed', trouble: this.gate.trouble(error) });
    }
    if (isDue(this.state) && !this.state.trouble) this.later(settles);
    else if (this.state.trouble?.waits) this.later(retries);
  }
}

const notSaved = (detail: string) =>
  new ProblemError({ status: 0, title: say('store.not-saved'), code: 'not-saved', detail });

const prefix = (id: string) => `pk-draft-${id}-`;

/** A short name of a text's content (FNV-1a, 32 bits). */
function nameOf(text: string): string {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return (h >>> 0).toString(16);
}

/** Keeps what the server has not, under the content that it began from; forgets it once the server has it. */
function keepCopy(id: string, s: State, held: Set<string>) {
  if (!s.base || !s.doc) return;
  const dirty = isDirty(s);
  const from = s.conflict?.from ?? s.base.document;
  const key = prefix(id) + nameOf(JSON.stringify(from));
  try {
    if (dirty) {
      localStorage.setItem(
        key,
        JSON.stringify({
          version: s.base.version,
          from,
          doc: s.doc,
          sent: s.flight ?? s.lost,
        } satisfies Copy),
      );
      held.add(key);
    }
    for (const k of held) if (k !== key || !dirty) forget(k, held);
  } catch {
    // full or switched off: the page still has it, and so has the server in a moment
  }
}

function forget(key: string, held: Set<string>) {
  localStorage.removeItem(key);
  held.delete(key);
}

/** What this computer kept and the server has not; first what began from the server's present content. */
function copyOf(id: string, kept: Kept, held: Set<string>): Copy | undefined {
  const present = prefix(id) + nameOf(JSON.stringify(kept.document));
  const keys = Object.keys(localStorage).filter((k) => k.startsWith(prefix(id)));
  for (const k of keys.sort((a, b) => Number(b === present) - Number(a === present))) {
    try {
      const copy = JSON.parse(localStorage.getItem(k)!) as Copy;
      if (copy.from && copy.doc && !same(copy.doc, kept.document)) {
        held.add(k);
        return copy;
      }
    } catch {
      // cut off by a full disk: it says nothing
    }
    localStorage.removeItem(k);
  }
  return undefined;
}
