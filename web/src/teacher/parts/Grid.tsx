import type { ReactNode } from 'react';
import Table from 'react-bootstrap/Table';

interface Props {
  /** Rows of cells to be scanned, not read. */
  dense?: boolean;
  className?: string;
  label?: string;
  children: ReactNode;
}

/** A table no wider than what stands in it. */
export function Grid({ dense, className, label, children }: Props) {
  return (
    <Table
      bsPrefix="grid"
      size={dense ? 'dense' : undefined}
      className={className}
      aria-label={label}
    >
      {children}
    </Table>
  );
}
