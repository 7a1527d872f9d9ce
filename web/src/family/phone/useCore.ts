import { useEffect, useState } from 'react';
import type { Understand } from '../core';

let started: Promise<Understand | undefined> | undefined;

/**
 * The core on this phone, once it is there. A phone that cannot have it keeps
 * what is typed and has it checked later.
 */
export function useCore(): Understand | undefined {
  const [core, setCore] = useState<Understand>();
  useEffect(() => {
    let live = true;
    started ??= import('../core')
      .then((m) => m.start())
      .catch(() => {
        started = undefined;
        return undefined;
      });
    void started.then((understand) => live && understand && setCore(() => understand));
    return () => {
      live = false;
    };
  }, []);
  return core;
}
