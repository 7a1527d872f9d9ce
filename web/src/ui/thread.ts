/** A step on the time of an experiment, in seconds from its beginning, with the wait before it. */
export interface Span {
  start: number;
  end: number;
  wait: number;
  /** The wait is drawn at one width, whatever its length. */
  fold: boolean;
}

export interface Part<S> {
  span: S;
  kind: 'step' | 'gap' | 'fold';
  x: number;
  w: number;
}

/**
 * Lays the steps out on a width, to time: what is left beside the folds and the least
 * that a step needs is shared by length. This is the one rule of every thread that is drawn.
 */
export function layOut<S extends Span>(
  spans: S[],
  width: number,
  { least, fold }: { least: number; fold: number },
): Part<S>[] {
  type Kind = Part<S>['kind'];
  const parts = spans.flatMap((span): { span: S; kind: Kind; seconds: number }[] => {
    const step = { span, kind: 'step' as const, seconds: span.end - span.start };
    if (span.wait <= 0) return [step];
    if (span.fold) return [{ span, kind: 'fold', seconds: 0 }, step];
    return [{ span, kind: 'gap', seconds: span.wait }, step];
  });
  const fixed = { step: least, gap: 0, fold };
  const free = Math.max(0, width - parts.reduce((sum, p) => sum + fixed[p.kind], 0));
  const total = parts.reduce((sum, p) => sum + p.seconds, 0) || 1;
  let x = 0;
  return parts.map(({ span, kind, seconds }) => {
    const w = fixed[kind] + (seconds / total) * free;
    x += w;
    return { span, kind, x: x - w, w };
  });
}
