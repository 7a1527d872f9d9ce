import { useEffect, useEffectEvent, type RefObject } from 'react';

/** Closes what stands in an element when Escape is pressed inside it. */
export function useEscape(inside: RefObject<HTMLElement | null>, close: () => void) {
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    if (e.key === 'Escape') close();
  });
  useEffect(() => {
    const element = inside.current;
    element?.addEventListener('keydown', onKey);
    return () => element?.removeEventListener('keydown', onKey);
  }, [inside]);
}
