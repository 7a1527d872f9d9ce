import { say } from '../words';
import type { Results } from './useResults';

type Slot = Results['slots'][number];

/** What a slot is compared in: its condition, or else its stage; '' where it is read once. */
export const laneOf = (s: Slot) => s.condition || s.stage || '';

/** What a condition or stage is called; all where there is none. */
export const laneName = (r: Results, lane: string) =>
  r.conditions.find((x) => x.id === lane)?.name ?? '';

/** The lanes of a class's slots, in their order, each with its slots and their places. */
export function lanesOf(r: Results) {
  const placed = r.slots.map((s, i) => ({ s, i }));
  return [...new Set(r.slots.map(laneOf))].map((lane) => ({
    lane,
    slots: placed.filter(({ s }) => laneOf(s) === lane),
  }));
}

/** What tells a slot from the others of its lane. */
export function slotWords(r: Results, s: Slot) {
  const reading = r.readings.find((x) => x.id === s.reading);
  const words = [
    r.readings.length > 1 && reading?.name,
    r.objects.find((o) => o.id === s.object)?.name,
    s.condition && s.stage && laneName(r, s.stage),
    s.time,
    (reading?.trials ?? 1) > 1 && say('collect.try', { trial: s.trial }),
  ];
  return words.filter(Boolean).join(', ') || (reading?.name ?? '');
}

/** All parts of a slot in words, for a line of a notebook. */
export function partWords(
  r: Results,
  s: { condition?: string; object?: string; time?: string; trial?: number; stage?: string },
  things: Record<string, string> | undefined,
) {
  const object = r.objects.find((o) => o.id === s.object)?.name;
  return [
    laneName(r, s.condition ?? ''),
    s.object && (things?.[s.object] ?? object),
    laneName(r, s.stage ?? ''),
    s.time,
    (s.trial ?? 1) > 1 && say('collect.try', { trial: s.trial }),
  ].filter(Boolean);
}
