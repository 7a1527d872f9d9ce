import { useEffect, useEffectEvent } from 'react';
import type { HomeState } from './useHome';

/** Hands over what the phone keeps under a key, when the page opens and when the key changes. */
export function useRecalled<T>(state: HomeState, key: string, take: (kept: T | undefined) => void) {
  const recall = useEffectEvent(() => state.recall<T>(key));
  const taken = useEffectEvent(take);
  useEffect(() => {
    let live = true;
    void recall().then((kept) => live && taken(kept));
    return () => {
      live = false;
    };
  }, [key]);
}
