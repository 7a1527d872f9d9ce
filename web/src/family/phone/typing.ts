import { useEffect, useRef, useState } from 'react';

/** By field, how what is typed there is kept: a page keeps it all before it goes on, since a tap need not take the focus away first. */
export type Typing = Map<string, () => Promise<void>>;

/** A page's fields, and what keeps all that was typed in them. */
export function useTyping(): [Typing, () => Promise<void>] {
  const [fields] = useState<Typing>(() => new Map());
  return [
    fields,
    async () => {
      for (const keep of [...fields.values()]) await keep();
    },
  ];
}

/** Tells the page how a field is kept, as it is now; leaving the field and pressing its button at once keeps it once. */
export function useKept(
  typing: Typing,
  id: string,
  keep: () => Promise<void>,
): () => Promise<void> {
  const busy = useRef<Promise<void>>(undefined);
  const once = () => (busy.current ??= keep().finally(() => (busy.current = undefined)));
  useEffect(() => {
    typing.set(id, once);
    return () => void typing.delete(id);
  });
  return once;
}
