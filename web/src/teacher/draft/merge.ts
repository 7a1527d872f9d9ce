/** Where something stands in a document: keys, and ids of list entries that have one. */
export type Place = (string | number)[];
type Obj = Record<string, unknown>;

const isObject = (x: unknown): x is Obj => typeof x === 'object' && x !== null && !Array.isArray(x);
const hasIDs = (x: unknown): x is { id: string }[] =>
  Array.isArray(x) &&
  x.every((e) => isObject(e) && typeof e.id === 'string') &&
  new Set(x.map((e) => (e as Obj).id)).size === x.length;

/** What the server leaves out when it writes a document: an empty place is the same as none. */
const isNothing = (x: unknown): boolean =>
  x === undefined ||
  x === null ||
  x === '' ||
  x === false ||
  (Array.isArray(x) && x.length === 0) ||
  (isObject(x) && Object.values(x).every(isNothing));

/** Whether two values say the same. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b) || (isNothing(a) && isNothing(b))) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((x, i) => same(x, b[i]));
  if (isObject(a) && isObject(b)) return keysOf(a, b).every((k) => same(a[k], b[k]));
  return false;
}

const keysOf = (...all: unknown[]) => [
  ...new Set(all.flatMap((o) => (isObject(o) ? Object.keys(o) : []))),
];

export interface Merged<T> {
  value: T;
  /** Places that both sides changed, each to something else; there mine stands. */
  clashes: Place[];
}

/** Brings two changed copies of a document together: what only one side changed is taken from that side. Entries of lists are told apart by their ids. */
export function merge<T>(base: unknown, mine: T, theirs: unknown): Merged<T> {
  const clashes: Place[] = [];
  return { value: join(base, mine, theirs, [], clashes) as T, clashes };
}

function join(base: unknown, mine: unknown, theirs: unknown, at: Place, clashes: Place[]): unknown {
  if (same(theirs, base) || same(mine, theirs)) return mine;
  if (same(mine, base)) return theirs;
  if (isObject(mine) && isObject(theirs)) {
    const out: Obj = {};
    for (const k of keysOf(mine, theirs)) {
      const v = join(isObject(base) ? base[k] : undefined, mine[k], theirs[k], [...at, k], clashes);
      if (v !== undefined) out[k] = v;
    }
    return out;
  }
  if (hasIDs(mine) && hasIDs(theirs))
    return joinLists(hasIDs(base) ? base : [], mine, theirs, at, clashes);
  clashes.push(at);
  return mine;
}

function joinLists(
  base: { id: string }[],
  mine: { id: string }[],
  theirs: { id: string }[],
  at: Place,
  clashes: Place[],
): unknown[] {
  const find = (list: { id: string }[], id: string) => list.find((x) => x.id === id);
  const ids = (list: { id: string }[]) => list.map((x) => x.id).join('\n');
  const [lead, other] = ids(mine) === ids(base) ? [theirs, mine] : [mine, theirs];
  const out: unknown[] = [];
  const take = (id: string) => {
    const b = find(base, id),
      m = find(mine, id),
      t = find(theirs, id);
    if (b && (!m || !t)) {
      if (same(m ?? t, b)) return; // taken out on one side, left alone on the other
      clashes.push([...at, id]);
      out.push(m ?? t);
      return;
    }
    out.push(m && t ? join(b, m, t, [...at, id], clashes) : (m ?? t));
  };
  lead.forEach((x) => take(x.id));
  other.forEach((x, i) => {
    if (find(lead, x.id)) return;
    const length = out.length;
    take(x.id);
    if (out.length === length) return;
    const before = other.slice(0, i).map((y) => y.id); // it stands behind what it stood behind
    const taken = out.pop();
    const behind = out.map((y) => before.includes((y as { id: string }).id)).lastIndexOf(true) + 1;
    out.splice(behind > 0 || find(base, x.id) ? behind : out.length, 0, taken);
  });
  return out;
}

export interface Difference {
  place: Place;
  mine: unknown;
  theirs: unknown;
}

/** Where two documents say something else, as deep as both have the same shape. */
export function differences(mine: unknown, theirs: unknown, at: Place = []): Difference[] {
  if (same(mine, theirs)) return [];
  if (isObject(mine) && isObject(theirs))
    return keysOf(mine, theirs).flatMap((k) => differences(mine[k], theirs[k], [...at, k]));
  if (hasIDs(mine) && hasIDs(theirs) && mine.length + theirs.length > 0) {
    const ids = [...new Set([...mine, ...theirs].map((x) => x.id))];
    const found = ids.flatMap((id) =>
      differences(
        mine.find((x) => x.id === id),
        theirs.find((x) => x.id === id),
        [...at, id],
      ),
    );
    return found.length > 0 ? found : [{ place: at, mine, theirs }]; // another order
  }
  return [{ place: at, mine, theirs }];
}
