import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';

/** An event of the server: something of a class changed. */
interface Heard {
  class?: string;
  kind: string;
}

/** Whether what a page fetched under a key may be another since an event. */
function concerns(e: Heard, [what, of]: readonly unknown[]): boolean {
  if (what === 'draft' || what === 'actions') return false;
  if (e.kind === 'entry' || e.kind === 'permission')
    return what === 'assignments' || (what === 'results' && of === e.class);
  if (e.kind === 'kitchen') return what === 'kitchens' || what === 'issue-check';
  if (e.kind === 'incident') return what === 'incidents';
  return true;
}

/**
 * Refreshes what is on the screen when something of the teacher's classes
 * changed anywhere. Of all open tabs one listens to the server and tells the
 * others: a browser allows only a few connections to one server.
 */
export function useLive(): boolean {
  const client = useQueryClient();
  const [live, setLive] = useState(false);
  useEffect(() => {
    const channel = new BroadcastChannel('pk-live');
    const abort = new AbortController();
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    // several entries come close together: one refresh serves them all
    let heard: Heard[] = [];
    const refresh = (event: Heard) => {
      heard.push(event);
      timer ??= setTimeout(() => {
        const events = heard;
        timer = undefined;
        heard = [];
        void client.invalidateQueries({
          predicate: (q) => events.some((e) => concerns(e, q.queryKey)),
        });
      }, 150);
    };
    const say = (isLive: boolean) => {
      setLive(isLive);
      channel.postMessage(isLive);
    };
    channel.onmessage = (e: MessageEvent<boolean | Heard | 'are-you-there'>) => {
      if (typeof e.data === 'object') refresh(e.data);
      else if (e.data === 'are-you-there') {
        if (source) channel.postMessage(source.readyState === EventSource.OPEN);
      } else setLive(e.data);
    };
    const listen = () => {
      source = new EventSource('/api/v1/live');
      source.onopen = () => say(true);
      source.onerror = () => {
        say(false);
        // A refusal, as while the database is away, ends it for good.
        if (source?.readyState === EventSource.CLOSED)
          retry = setTimeout(listen, 3000 + 4000 * Math.random());
      };
      source.onmessage = (e: MessageEvent<string>) => {
        const event = JSON.parse(e.data) as Heard;
        refresh(event);
        channel.postMessage(event);
      };
    };
    channel.postMessage('are-you-there');
    void navigator.locks
      .request('pk-live', { signal: abort.signal }, async () => {
        listen();
        await new Promise((_, stop) => abort.signal.addEventListener('abort', stop));
      })
      .catch(() => undefined);
    const hide = () => {
      clearTimeout(retry);
      source?.close();
    };
    const show = (e: PageTransitionEvent) => e.persisted && location.reload();
    addEventListener('pagehide', hide);
    addEventListener('pageshow', show);
    return () => {
      clearTimeout(timer);
      abort.abort();
      hide();
      channel.close();
      removeEventListener('pagehide', hide);
      removeEventListener('pageshow', show);
    };
  }, [client]);
  return live;
}
