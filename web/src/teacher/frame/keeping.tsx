import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { say } from '../words';

/** What was just done, and the way back where there is one. */
export interface Act {
  words: string;
  /** Gives the way forth again, where there is one. */
  undo?: () => unknown;
  redo?: () => void;
}

interface Keeping {
  saved: string;
  last?: Act;
  setSaved: (words: string) => void;
  /** Says what was just done, with a way back where there is one. */
  did: (words: string, undo?: Act['undo']) => void;
}

const KeepingContext = createContext<Keeping>({
  saved: '',
  setSaved: () => undefined,
  did: () => undefined,
});
export const useKeeping = () => useContext(KeepingContext);

/** The page an act belongs to: the same experiment or class, at whichever of its stations. */
const pageOf = (pathname: string) => pathname.split('/').slice(0, 3).join('/');

/** An act as it is shown: taken back it can be done again, where there is a way forth. */
function actOf(
  words: string,
  undo: Act['undo'],
  page: string,
  show: (act: Act & { page: string }) => void,
): Act & { page: string } {
  return {
    words,
    page,
    undo:
      undo &&
      (() => {
        const forth = undo();
        show({
          words: say('keeping.undone', { words }),
          page,
          redo:
            typeof forth === 'function'
              ? () => {
                  (forth as () => void)();
                  show(actOf(words, undo, page, show));
                }
              : undefined,
        });
      }),
  };
}

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
      did: (words, undo) => setLast(actOf(words, undo, pageOf(location.pathname), setLast)),
    }),
    [saved, last, page],
  );
  return <KeepingContext.Provider value={value}>{children}</KeepingContext.Provider>;
}
