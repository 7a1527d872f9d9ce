import { say } from '../words';
import type { Results } from './useResults';

/** What tells a slot from the others of its condition. */
export function slotWords(r: Results, s: Results['slots'][number]) {
  const reading = r.readings.find((x) => x.id === s.reading);
  const words = [
    r.readings.length > 1 && reading?.name,
    s.time,
    (reading?.trials ?? 1) > 1 && say('collect.try', { trial: s.trial }),
  ];
  return words.filter(Boolean).join(', ') || say('collect.try', { trial: s.trial });
}
