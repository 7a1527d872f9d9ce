import { api, got, ProblemError, type Schemas } from '../../api/client';
import type { Doc } from './document';
import type { Gate, Kept } from './store';
import { say } from '../words';

/** The way to the server of one experiment's draft. */
export function gateTo(id: string): Gate {
  const path = { experiment: id };
  const keep = (v: Schemas['DraftView']): Kept => ({
    version: v.version,
    document: v.document as Doc,
    review: v.review,
  });
  return {
    load: () => got(api.GET('/api/v1/experiments/{experiment}', { params: { path } })).then(keep),
    save: (document, version) =>
      got(
        api.PUT('/api/v1/experiments/{experiment}', {
          params: { path, header: { 'If-Match': String(version) } },
          body: { document },
        }),
      ).then(keep),
    overtaken: (error) =>
      error instanceof ProblemError && error.problem.code === 'changed-elsewhere'
        ? keep(error.problem.current as Schemas['DraftView'])
        : undefined,
    trouble: (error) => {
      if (!(error instanceof ProblemError))
        return { words: say('gate.a-fault'), waits: false, offline: false };
      const { status, detail } = error.problem;
      return {
        words: status === 401 ? say('gate.you-are-signed-out') : detail,
        waits: error.offline || status === 429 || status >= 500,
        offline: error.offline,
      };
    },
  };
}
