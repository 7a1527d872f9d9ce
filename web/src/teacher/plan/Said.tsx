import type { ReactNode } from 'react';

/** A sentence with blanks: the words of each field stand before it in the line, and it is as wide as what is in it. */
export function Said({ legend, children }: { legend: string; children: ReactNode }) {
  return (
    <fieldset className="said">
      <legend className="visually-hidden">{legend}</legend>
      {children}
    </fieldset>
  );
}
