/** The experiment document as the editor holds it: its types come from the published schema, its rules live in Go. */
import type { PatientKitchenExperiment } from './experiment';

import type { Reading } from './experiment';

export type { Choice, Need, Reading, Step, Take } from './experiment';
/** Copied key by key: an interface would not count as the plain object that a body takes. */
export type Doc = { [K in keyof PatientKitchenExperiment]: PatientKitchenExperiment[K] };
export type Localized = Record<string, string>;

export const emptyDoc: Doc = {
  schema: 3,
  title: {},
  question: {},
  age_band: '11-13',
  way: 'predict-then-try',
  languages: [document.documentElement.lang],
  trials: 1,
  conditions: [],
  needs: [],
  steps: [],
  readings: [],
  derived: [],
  evidence: [],
  questions: [],
  mistakes: [],
};

/** Whether a kind of reading is a number that formulas can use. */
export const isNumber = (kind: NonNullable<Reading['kind']>) =>
  ['quantity', 'count', 'event', 'position'].includes(kind);

/** A fresh id of a kind that the list does not hold yet. */
export function freshID(kind: string, list: { id: string }[] | undefined): string {
  for (let n = (list?.length ?? 0) + 1; ; n++)
    if (!list?.some((x) => x.id === `${kind}-${n}`)) return `${kind}-${n}`;
}

/** Sets a place given by keys to a value, copying what stands above it. */
export function put<T>(at: T, path: (string | number)[], value: unknown): T {
  if (path.length === 0) return value as T;
  const [key, ...rest] = path;
  if (Array.isArray(at) || typeof key === 'number') {
    const list = [...((at as unknown as unknown[]) ?? [])];
    list[key as number] = put(list[key as number], rest, value);
    return list as unknown as T;
  }
  const o = { ...((at as Record<string, unknown>) ?? {}) };
  o[key] = put(o[key], rest, value);
  return o as T;
}
