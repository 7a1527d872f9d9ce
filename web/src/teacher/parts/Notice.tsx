import type { ReactNode } from 'react';
import Alert from 'react-bootstrap/Alert';

interface Props {
  /** Its weight: to mend, to stop, or only to know. */
  kind?: 'mend' | 'stop' | 'note';
  /** Read aloud as it appears: the answer to something just done. */
  live?: boolean;
  className?: string;
  label?: string;
  children: ReactNode;
}

/** A sentence set off at the margin's edge. */
export function Notice({ kind = 'mend', live, className, label, children }: Props) {
  return (
    <Alert
      bsPrefix="notice"
      variant={kind}
      transition={false}
      role={live ? 'alert' : undefined}
      className={className}
      aria-label={label}
    >
      {children}
    </Alert>
  );
}
