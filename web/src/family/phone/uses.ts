import { last, type Book } from './book';
import type { Sheet } from './useHome';

export type Need = Sheet['needs'][number];
type Swap = Need['swaps'][number];

/** What the home said last that it uses for a need, as long as its plan does not show it yet: the server works the plan out, the phone knows at once. */
export function swapFor(need: Need, sheet: Sheet, book: Book): Swap | undefined {
  const said = last(book.of('swap').filter((e) => e.entry.refers === need.id));
  if (!said || sheet.entries.some((e) => e.id === said.id)) return undefined;
  return need.swaps.find((w) => w.use === said.entry.choice?.[0]);
}

/** What a step says of the things of this home: by its plan, and by what it said since. */
export function usesAt(step: Sheet['steps'][number], sheet: Sheet, book: Book): string[] {
  const swaps = sheet.needs
    .filter((n) => (step.needs ?? []).includes(n.id))
    .map((n) => ({ need: n.id, swap: swapFor(n, sheet, book) }))
    .filter((s) => s.swap);
  const planned = (step.uses ?? []).filter((u) => !swaps.some((s) => s.need === u.need));
  return [...planned.map((u) => u.text), ...swaps.flatMap((s) => s.swap!.line ?? [])];
}
