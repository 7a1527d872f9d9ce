import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got } from '../../api/client';
import { useSettled } from '../../ui/useSettled';
import type { Doc } from '../draft/document';
import type { Review } from '../draft/useDraft';

/** After so long it is asked again where the server did not answer, in milliseconds. */
const again = 5000;

const remembered = 'margin-class';

/**
 * What the design means while it is written: judged a moment after the last key, without
 * waiting for it to be saved, with the class that the teacher looks at it with.
 */
export function useMargin(doc: Doc | undefined, saved: Review | undefined, on: boolean) {
  const [chosen, setChosen] = useState(() => localStorage.getItem(remembered) ?? '');
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
    enabled: on,
  });
  const known = classes.data?.items ?? [];
  const of = known.some((c) => c.id === chosen) ? chosen : '';
  const document = useSettled(doc ?? null);
  const [last, setLast] = useState<{ review: Review; at: number }>();
  const judged = useQuery({
    queryKey: ['judged', document, of],
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/review', {
          body: { document: document!, ...(of && { class: of }) },
        }),
      ).then((review) => {
        setLast({ review, at: Date.now() });
        return review;
      }),
    enabled: on && document !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 30_000,
    retry: false,
    networkMode: 'always', // without a connection it fails at once and says so
    refetchInterval: (q) => (q.state.status === 'error' ? again : false),
  });
  return {
    /** The newest there is; the saved one where nothing newer was judged. */
    review: judged.data ?? last?.review ?? saved,
    classes: known.map((c) => ({ id: c.id, name: c.name })),
    of,
    /** Since when what is written was not judged; nothing where it is. */
    unjudged: judged.isError ? { since: last?.at, offline: !navigator.onLine } : undefined,
    choose: (id: string) => {
      localStorage.setItem(remembered, id);
      setChosen(id);
    },
  };
}

/** With which class a design is looked at. */
export type LookedAt = Omit<ReturnType<typeof useMargin>, 'review'>;
