import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got } from '../../api/client';
import { useSettled } from '../../ui/useSettled';
import type { Doc } from '../draft/document';
import type { Review } from '../draft/useDraft';

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
  const judged = useQuery({
    queryKey: ['judged', document, of],
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/review', {
          body: { document: document!, ...(of && { class: of }) },
        }),
      ),
    enabled: on && document !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
    gcTime: 30_000,
  });
  return {
    /** The newest there is; the saved one where nothing newer was judged. */
    review: judged.data ?? saved,
    classes: known.map((c) => ({ id: c.id, name: c.name })),
    of,
    choose: (id: string) => {
      localStorage.setItem(remembered, id);
      setChosen(id);
    },
  };
}

/** With which class a design is looked at. */
export type LookedAt = Omit<ReturnType<typeof useMargin>, 'review'>;
