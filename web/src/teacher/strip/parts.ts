import type { Review } from '../draft/useDraft';
import type { Block } from './useSteps';

export type StripPart = Review['strip']['parts'][number];

/** A block as it is drawn: a step with its number, or a part of the work that is closed. */
export interface Drawn extends Block {
  number: number;
  part?: StripPart;
}

/** The blocks of the strip with each closed part as one of them. */
export function closedUp(strip: Review['strip'], closed: string[]): Drawn[] {
  const out: Drawn[] = [];
  strip.blocks.forEach((b, i) => {
    const part = strip.parts.find((p) => closed.includes(p.id) && p.steps.includes(b.step));
    const last = out.at(-1);
    if (!part) out.push({ ...b, number: i + 1 });
    // A closed part is as long as hands are busy in it: its waits are closed with it.
    else if (last?.part === part)
      Object.assign(last, { end: last.end + b.end - b.start, gate: b.gate });
    else
      out.push({ ...b, number: i + 1, part, title: part.name, lanes: [], pegs: [], fold: b.fold });
  });
  return out;
}
