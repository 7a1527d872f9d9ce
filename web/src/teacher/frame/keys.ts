import { useEffect, useEffectEvent, useRef } from 'react';

// Some people's speech and tools send single keys of their own: these can be switched off.
const off = 'single-keys-off';
export const singleKeysOn = () => localStorage.getItem(off) === null;
export const switchSingleKeys = (on: boolean) =>
  on ? localStorage.removeItem(off) : localStorage.setItem(off, '1');

/**
 * Single keys act on the page while nothing is being written. The act gets the key, and
 * whether a g was pressed before it; it says whether the key meant something.
 */
export function useKeys(act: (key: string, afterG: boolean) => boolean) {
  const g = useRef(false);
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    const writing = (e.target as HTMLElement).closest('input, textarea, select, [contenteditable]');
    if (writing || e.ctrlKey || e.metaKey || e.altKey || !singleKeysOn()) return;
    const afterG = g.current;
    g.current = e.key === 'g' && !afterG;
    if (act(e.key, afterG)) e.preventDefault();
  });
  useEffect(() => {
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}

/** Moves the focus by j and k along elements; says whether the key was one of them. */
export function stepAlong(key: string, elements: HTMLElement[], here: number): boolean {
  const by = { j: 1, k: -1 }[key];
  if (by) elements[Math.max(0, Math.min(elements.length - 1, here + by))]?.focus();
  return by !== undefined;
}
