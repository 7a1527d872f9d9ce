/** The experiment document as the editor sees it; core judges it, the editor only holds it. */
export type Localized = Record<string, string>;

export interface Take {
  reading: string;
  time?: string;
}
export interface Step {
  id: string;
  kind: string;
  title: Localized;
  text?: Localized;
  see?: Localized;
  duration?: string;
  wait?: { for: string; from?: string; latest?: string };
  actions?: string[];
  uses?: string[];
  in?: string;
  closed?: boolean;
  heat?: string;
  voltage?: string;
  takes?: Take[];
  evidence?: string[];
  questions?: string[];
  meanwhile?: Localized;
}
export interface Need {
  id: string;
  name: Localized;
  kind?: string;
  role?: string;
  material?: string;
  form?: string;
  strength?: { value: number; basis: string };
  amount?: string;
  tolerance?: string;
  weighed?: boolean;
  qualities?: { is: string; figure?: string }[];
  barred?: string[];
  per_condition?: boolean;
  optional?: boolean;
  instead?: Localized[];
  note?: Localized;
}
export interface Instrument {
  id: string;
  name: Localized;
  resolution: string;
  analogue?: boolean;
}
export interface Reading {
  id: string;
  symbol: string;
  name: Localized;
  unit: string;
  times?: string[];
  per_condition: boolean;
  low?: string;
  high?: string;
  repeatability?: string;
  instruments?: Instrument[];
  guidance?: Localized;
}
export interface Doc {
  schema: number;
  title: Localized;
  question: Localized;
  background?: Localized;
  place?: Localized;
  outdoors?: boolean;
  age_band: string;
  way: string;
  languages: string[];
  lesson?: string;
  trials: number;
  changed?: { name?: Localized };
  measured?: { name?: Localized; reading?: string; result?: string }[];
  kept?: { name?: Localized }[];
  conditions?: { id: string; name: Localized; description?: Localized; control?: boolean }[];
  needs?: Need[];
  steps?: Step[];
  readings?: Reading[];
  derived?: { id: string; name: Localized; formula: string; unit: string }[];
  expectations?: { id: string; for: string; condition?: string; model: string; typed: Record<string, string> }[];
  evidence?: { id: string; kind: string; name: Localized; must_show?: Localized; required?: boolean }[];
  questions?: { id: string; when: string; kind: string; text: Localized; options?: Localized[]; unit?: string }[];
  mistakes?: { see: Localized; cause?: Localized; mend: Localized }[];
  materials?: { id: string }[];
  cautions?: { id: string; step: string; verdict: string; why: Localized; do: Localized }[];
  swaps?: unknown[];
  heard?: { key: string; concept: string; answer: 'other' | 'teacher'; reason?: string; by?: string }[];
  lowered?: { rule: string; case?: string; step: string; reason: string; by: string }[];
}

export const emptyDoc: Doc = { schema: 2, title: { en: '' }, question: { en: '' }, age_band: '11-13', way: 'predict-then-try', languages: ['en'], trials: 1, conditions: [], needs: [], steps: [], readings: [], derived: [], evidence: [], questions: [], mistakes: [] };

/** A fresh id of a kind that the list does not hold yet. */
export function freshID(kind: string, list: { id: string }[] | undefined): string {
  for (let n = (list?.length ?? 0) + 1; ; n++) if (!list?.some((x) => x.id === `${kind}-${n}`)) return `${kind}-${n}`;
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
