import i18next from 'i18next';
import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Problem = Schemas['Problem'];

/** A problem document of the server, or a request that never reached it. */
export class ProblemError extends Error {
  readonly problem: Problem;
  /** True when there was no answer at all: no connection, or the server is down. */
  readonly offline: boolean;
  constructor(problem: Problem, offline = false) {
    super(problem.detail);
    this.problem = problem;
    this.offline = offline;
  }
}

/** The server's interface as docs/openapi.json describes it. Whatever is no answer is thrown as ProblemError. */
export const api = createClient<paths>({ credentials: 'same-origin', fetch: reach });

/** What was answered, by itself. */
export async function got<R extends { data?: unknown }>(
  answer: Promise<R>,
): Promise<NonNullable<R['data']>> {
  return (await answer).data as NonNullable<R['data']>;
}

async function reach(request: Request): Promise<Response> {
  if (!request.headers.has('Accept-Language'))
    request.headers.set('Accept-Language', document.documentElement.lang || 'en');
  let response: Response;
  try {
    response = await fetch(request);
  } catch {
    throw new ProblemError(
      {
        status: 0,
        title: i18next.t('client.none'),
        code: 'offline',
        detail: i18next.t('client.none-words'),
      },
      true,
    );
  }
  if (response.ok || response.status === 304) return response;
  const { status } = response;
  let problem: Problem = {
    status,
    title: i18next.t('client.fault'),
    code: 'fault',
    detail: i18next.t('client.fault-words', { status }),
  };
  try {
    problem = (await response.json()) as Problem;
  } catch {
    // a proxy's page, not ours: the words above stand
  }
  throw new ProblemError(problem, status === 502 || status === 503 || status === 504);
}
