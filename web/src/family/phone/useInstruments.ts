import { useEffect, useEffectEvent, useState } from 'react';
import type { HomeState } from './useHome';

/** The tool that a home chose for each of some readings; the phone keeps it. */
export function useInstruments(state: HomeState, readings: string[]) {
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const recall = useEffectEvent((reading: string) => state.recall<string>(`instrument/${reading}`));
  const ids = readings.join(' ');
  useEffect(() => {
    let live = true;
    for (const reading of ids.split(' '))
      void recall(reading).then(
        (tool) => live && tool && setChosen((now) => ({ [reading]: tool, ...now })),
      );
    return () => {
      live = false;
    };
  }, [ids]);
  const choose = (reading: string, tool: string) => {
    setChosen((now) => ({ ...now, [reading]: tool }));
    void state.keep(`instrument/${reading}`, tool);
  };
  return [chosen, choose] as const;
}
