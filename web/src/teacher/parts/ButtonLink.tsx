import type { AnchorHTMLAttributes } from 'react';
import { Link } from 'react-router';

interface Props extends AnchorHTMLAttributes<HTMLAnchorElement> {
  /** A page of ours; a file or a sheet has an href. */
  to?: string;
}

/** A way to somewhere else that is as heavy as a button. */
export function ButtonLink({ to, children, ...rest }: Props) {
  const look = 'btn btn-outline-primary';
  return to === undefined ? (
    <a className={look} {...rest}>
      {children}
    </a>
  ) : (
    <Link className={look} to={to} {...rest}>
      {children}
    </Link>
  );
}
