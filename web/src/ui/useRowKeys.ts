import { useState } from 'react';

let next = 0;
const fresh = (n: number) => Array.from({ length: n }, () => `row-${next++}`);

/** Keys of rows that have no id: each keeps its own when another is taken out. */
export function useRowKeys(n: number): { keys: string[]; takeOut: (at: number) => void } {
  const [keys, setKeys] = useState(() => fresh(n));
  let now = keys;
  if (keys.length !== n) {
    now = keys.length < n ? [...keys, ...fresh(n - keys.length)] : keys.slice(0, n);
    setKeys(now);
  }
  return { keys: now, takeOut: (at) => setKeys(now.filter((_, i) => i !== at)) };
}
