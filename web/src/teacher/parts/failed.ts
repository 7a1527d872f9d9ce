import type { QueryObserverLoadingErrorResult, UseQueryResult } from '@tanstack/react-query';
import { ProblemError } from '../../api/client';

/**
 * Whether there is nothing to show: it was never read, or the server says that it is not there or not to be
 * seen any more. What was read stays while a later look at it fails: that the page is not live is said in
 * the frame.
 */
export function failed<T>(
  query: UseQueryResult<T>,
): query is QueryObserverLoadingErrorResult<T, Error> {
  if (query.isLoadingError) return true;
  const { error } = query;
  return (
    error instanceof ProblemError &&
    !error.offline &&
    [401, 403, 404].includes(error.problem.status)
  );
}
