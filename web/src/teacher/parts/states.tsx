import Button from 'react-bootstrap/Button';
import { ProblemError } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { say } from '../words';
import { Notice } from './Notice';

/** A part that could not be read: what, and how to go on. */
export function PartError({
  error,
  retry,
  what,
}: {
  error: unknown;
  retry?: () => void;
  what: string;
}) {
  const detail =
    error instanceof ProblemError
      ? error.problem.detail
      : say('parts.something-in-this-page-failed-what');
  return (
    <Notice live>
      <Icon name="exclamation-diamond" /> {say('parts.could-not-be-read', { what, detail })}{' '}
      {retry && (
        <Button variant="plain" onClick={retry}>
          {say('parts.try-again')}
        </Button>
      )}
    </Notice>
  );
}

export function Loading({ what }: { what: string }) {
  return (
    <p className="hint padded" role="status">
      {say('parts.reading', { what })}
    </p>
  );
}

/** A problem of something just tried, beside the thing. */
export function ProblemLine({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <Notice live className="my-2">
      {error instanceof ProblemError
        ? error.problem.detail
        : say('parts.that-did-not-work-what-you')}
    </Notice>
  );
}
