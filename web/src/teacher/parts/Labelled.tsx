import type { ReactNode } from 'react';

/** A field under its name; the field has this id. */
export function Labelled({
  id,
  words,
  children,
}: {
  id: string;
  words: string;
  children: ReactNode;
}) {
  return (
    <div className="labelled">
      <label className="named" htmlFor={id}>
        {words}
      </label>
      {children}
    </div>
  );
}
