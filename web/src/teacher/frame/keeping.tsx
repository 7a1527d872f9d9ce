import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { say } from '../words';

/** What was just done, and the way back where there is one. */
export interface Act {
  words: string;
  undo?: () => void;
}

interface Keeping {
  saved: string;
  last?: Act;
  setSaved: (words: string) => void;
  /** Says what was just done, with a way back where there is one. */
  did: (words: string, undo?: () => void) => void;
}

const KeepingContext = createContext<Keeping>({
  saved: '',
  setSaved: () => undefined,
  did: () => undefined,
});
export const useKeeping = () => useContext(KeepingContext);

/** The page an act belongs to: the same experiment or class, at whichever of its stations. */
const pageOf = (pathname: string) => pathname.split('/').slice(0, 3).join('/');

/** What the foot of the page says: what is saved, and the last act as long as its page is open. */
export function KeepingProvider({ children }: { children: ReactNode }) {
  const page = pageOf(useLocation().pathname);
  const [saved, setSaved] = useState('');
  const [last, setLast] = useState<Act & { page: string }>();
  const value = useMemo<Keeping>(
    () => ({
      saved,
      last: last?.page === page ? last : undefined,
      setSaved,
      did: (words, undo) =>
        setLast({
          words,
          page: pageOf(location.pathname),
          undo:
            undo &&
            (() => {
              undo();
              setLast({ words: say('keeping.undone', { words }), page });
            }),
        }),
    }),
    [saved, last, page],
  );
  return <KeepingContext.Provider value={value}>{children}</KeepingContext.Provider>;
}
