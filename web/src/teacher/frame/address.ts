import { useSearchParams } from 'react-router';

/** What the address says of a page after its ?; an undefined value takes the name away. */
export type AddressChange = Record<string, string | undefined>;

/**
 * The page's part of the address, and how to change it. A change begins with what the
 * address says at that moment: what was drawn last may lag behind two quick changes, and
 * the second would take the first back.
 */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  const change = (next: AddressChange, options?: { replace: boolean }) => {
    const now = new URLSearchParams(location.search);
    for (const [name, value] of Object.entries(next))
      if (value) now.set(name, value);
      else now.delete(name);
    setParams(now, options);
  };
  return [params, change] as const;
}
