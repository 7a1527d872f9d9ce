import type { LocalEntry } from './db';
import type { Sheet } from './useHome';

export type Slot = Sheet['steps'][number]['takes'][number];
export type Step = Sheet['steps'][number];

type SlotFields = Pick<LocalEntry['entry'], 'condition' | 'object' | 'time' | 'stage' | 'trial'>;

/** Everything that tells one slot from another, in one string; under it half-written values are kept. */
export const slotKey = (s: SlotFields & { reading?: string }) =>
  `${s.reading}/${s.condition ?? ''}/${s.time ?? ''}/${s.trial ?? 1}` +
  (s.object || s.stage ? `/${s.object ?? ''}/${s.stage ?? ''}` : '');

const sameSlot = (e: LocalEntry['entry'], s: Slot) => slotKey(e) === slotKey(s);

/** The last of a list; written out, since older phones lack findLast. */
export const last = <T>(list: T[]): T | undefined => list[list.length - 1];

export const byTime = (a: LocalEntry, b: LocalEntry) =>
  a.entry.phone_time.localeCompare(b.entry.phone_time) || a.id.localeCompare(b.id);

/** What a home's own entries say, as far as the phone may say it: order and flags, never what a number means. */
export class Book {
  readonly entries: LocalEntry[];
  /** What the home says of itself, in whichever experiment. */
  readonly facts: LocalEntry[];
  /** What it said of itself with its kitchen. */
  readonly known: Record<string, string>;
  constructor(all: LocalEntry[], assignment: string, known: Record<string, string> = {}) {
    this.known = known;
    this.facts = all.filter((e) => e.entry.kind === 'fact').sort(byTime);
    this.entries = all.filter((e) => e.assignment === assignment).sort(byTime);
  }
  of(kind: string) {
    return this.entries.filter((e) => e.entry.kind === kind);
  }
  readings(slot: Slot) {
    return this.of('reading').filter((e) => sameSlot(e.entry, slot));
  }
  notRead(slot: Slot) {
    return last(this.of('not-read').filter((e) => sameSlot(e.entry, slot)));
  }
  spoiled(id: string) {
    return this.of('spoiled').find((e) => e.entry.refers === id);
  }
  /** What the teacher wrote about a reading: a question, or why it does not count. */
  desk(id: string) {
    return last(
      this.entries.filter(
        (e) => (e.entry.kind === 'asked' || e.entry.kind === 'set-aside') && e.entry.refers === id,
      ),
    );
  }
  /** The reading that counts: the last that was not spoiled. */
  present(slot: Slot) {
    return last(this.readings(slot).filter((e) => !this.spoiled(e.id)));
  }
  /** The same thing as it was read last before, in the order of the steps: at another time or stage. */
  before(steps: Step[], slot: Slot) {
    const thing = slotKey({ ...slot, time: undefined, stage: undefined });
    let found: { slot: Slot; entry: LocalEntry } | undefined;
    for (const s of steps.flatMap((step) => step.takes)) {
      if (slotKey(s) === slotKey(slot)) return found;
      const entry = this.present(s);
      if (entry && slotKey({ ...s, time: undefined, stage: undefined }) === thing)
        found = { slot: s, entry };
    }
    return undefined;
  }
  settled(slot: Slot) {
    return Boolean(this.present(slot) ?? this.notRead(slot));
  }
  done(step: string) {
    return this.of('step-done').find((e) => e.entry.step === step);
  }
  answer(question: string) {
    return last(this.of('answer').filter((e) => e.entry.question === question));
  }
  /** A prediction that came after a first reading: it is kept, and counts in no verdict. */
  afterStart(prediction: LocalEntry) {
    return this.of('reading').some((e) => byTime(e, prediction) < 0);
  }
  ticked(need: string) {
    const tick = last(this.of('tick').filter((e) => e.entry.refers === need));
    return tick !== undefined && tick.entry.reason !== 'no';
  }
  adult(step: string) {
    return this.of('adult').find((e) => e.entry.step === step);
  }
  fact(id: string) {
    return (
      last(this.facts.filter((e) => e.entry.refers === id))?.entry.choice?.[0] ?? this.known[id]
    );
  }
  /** What the home calls an object that it chose. */
  called(object: string) {
    return last(this.of('named').filter((e) => e.entry.refers === object))?.entry.text;
  }
  /** What was given in words, drawn or charted for evidence, in a step of it. */
  shown(evidence: string, step: string) {
    return last(
      this.of('observation').filter((e) => e.entry.evidence === evidence && e.entry.step === step),
    );
  }
  photos(evidence: string) {
    return this.of('photo').filter((e) => e.entry.evidence === evidence);
  }

  /** The clips or sounds for an evidence, newest last. */
  recordings(evidence: string) {
    return this.of('recording').filter((e) => e.entry.evidence === evidence);
  }
  sent() {
    return last(this.of('sent'));
  }
  /** When a step's wait is over, in the server's time; undefined without a wait or before its clock has started. */
  readyAt(step: Step): number | undefined {
    const start = step.wait && this.done(step.wait.from);
    if (!start) return undefined;
    return (
      new Date(start.entry.phone_time).getTime() + start.entry.offset_ms + step.wait!.seconds * 1000
    );
  }
}
