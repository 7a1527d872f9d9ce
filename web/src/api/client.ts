import i18next from 'i18next';
import type { components } from './schema';

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

const noAnswer = (): Problem => ({ status: 0, title: i18next.t('client.none'), code: 'offline', detail: i18next.t('client.none-words') });

export interface Options {
  body?: unknown;
  raw?: Blob | string;
  type?: string;
  version?: number;
  language?: string;
  signal?: AbortSignal;
}

/** Asks the server and gives its JSON answer; a problem is thrown as ProblemError. */
export async function ask<T>(method: string, path: string, options: Options = {}): Promise<T> {
  const headers: Record<string, string> = {};
  let body: BodyInit | undefined;
  if (options.body !== undefined) {
    headers['Content-Type'] = 'application/json';
    body = JSON.stringify(options.body);
  } else if (options.raw !== undefined) {
    headers['Content-Type'] = options.type ?? 'application/json';
    body = options.raw;
  }
  if (options.version !== undefined) headers['If-Match'] = String(options.version);
  if (options.language) headers['Accept-Language'] = options.language;
  const response = await reach(path, { method, headers, body, signal: options.signal });
  return JSON.parse(await textOf(response)) as T;
}

/**
 * Asks for something of which the caller may have this very state already, by
 * its tag; there is no value then. `now` is the server's clock.
 */
export async function askIfChanged<T>(path: string, tag?: string): Promise<{ value?: T; tag?: string; now: number }> {
  const response = await reach(path, { headers: tag ? { 'If-None-Match': tag } : {} });
  const text = response.status === 304 ? undefined : await textOf(response);
  return {
    value: text === undefined ? undefined : (JSON.parse(text) as T),
    tag: response.headers.get('ETag') ?? undefined,
    now: Date.parse(response.headers.get('Server-Time') ?? ''),
  };
}

async function reach(path: string, init: RequestInit): Promise<Response> {
  try {
    const headers = { 'Accept-Language': document.documentElement.lang || 'en', ...(init.headers as Record<string, string>) };
    return await fetch('/api/v1' + path, { ...init, headers, credentials: 'same-origin' });
  } catch {
    throw new ProblemError(noAnswer(), true);
  }
}

/** The answer's text, or a problem thrown. */
async function textOf(response: Response): Promise<string> {
  const text = await response.text();
  if (response.ok) return text;
  let problem: Problem = { status: response.status, title: i18next.t('client.fault'), code: 'fault', detail: i18next.t('client.fault-words', { status: response.status }) };
  try {
    problem = JSON.parse(text) as Problem;
  } catch {
    // a proxy's page, not ours: the words above stand
  }
  throw new ProblemError(problem, response.status === 502 || response.status === 503 || response.status === 504);
}
