import { useEffect, useEffectEvent, useState } from 'react';
import type { HomeState } from './useHome';

/** A value that the phone keeps under a key. What is set here stands, also where the phone recalls an older one only later. */
export function useRemembered<T>(
  state: HomeState,
  key: string,
): [T | undefined, (value: T | undefined) => void] {
  const [held, setHeld] = useState<{ key: string; value?: T }>();
  const recall = useEffectEvent(() => state.recall<T>(key));
  useEffect(() => {
    let live = true;
    void recall().then(
      (value) => live && setHeld((now) => (now?.key === key ? now : { key, value })),
    );
    return () => {
      live = false;
    };
  }, [key]);
  const set = (value: T | undefined) => {
    setHeld({ key, value });
    void state.keep(key, value);
  };
  return [held?.key === key ? held.value : undefined, set];
}
