import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** Refreshes what is on the screen when something of the teacher's classes changed anywhere. */
export function useLive(): boolean {
  const client = useQueryClient();
  const [live, setLive] = useState(false);
  useEffect(() => {
    const source = new EventSource('/api/v1/live');
    let timer: ReturnType<typeof setTimeout> | undefined;
    source.onopen = () => setLive(true);
    source.onerror = () => setLive(false);
    source.onmessage = () => {
      // several entries of one home come close together: one refresh serves them all
      timer ??= setTimeout(() => {
        timer = undefined;
        void client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'draft' });
      }, 150);
    };
    return () => {
      clearTimeout(timer);
      source.close();
    };
  }, [client]);
  return live;
}
