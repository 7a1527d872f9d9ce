import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';

export interface Undo {
  words: string;
  do: () => void;
}

interface Keeping {
  saved: string;
  last?: Undo;
  setSaved: (words: string) => void;
  /** Says what was just done, with a way back where there is one. */
  did: (words: string, undo?: () => void) => void;
}

const KeepingContext = createContext<Keeping>({ saved: '', setSaved: () => undefined, did: () => undefined });
export const useKeeping = () => useContext(KeepingContext);

export function KeepingProvider({ children }: { children: ReactNode }) {
  const [saved, setSaved] = useState('');
  const [last, setLast] = useState<Undo>();
  const value = useMemo<Keeping>(() => ({ saved, last, setSaved, did: (words, undo) => setLast({ words, do: undo ?? (() => undefined) }) }), [saved, last]);
  return <KeepingContext.Provider value={value}>{children}</KeepingContext.Provider>;
}
