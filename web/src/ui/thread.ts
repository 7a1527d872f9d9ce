/** A step on the time of an experiment, in seconds from its beginning, with the wait before it. */
export interface Span {
  start: number;
  end: number;
  wait: number;
}

/** Waits longer than this many seconds are folded: drawn at one width, whatever their length. */
export const foldFrom = 30 * 60;

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
  const parts = spans.flatMap((span) => {
    const step = { span, kind: 'step' as const, seconds: span.end - span.start };
    if (span.wait <= 0) return [step];
    const folded = span.wait > foldFrom;
    return [
      {
        span,
        kind: folded ? ('fold' as const) : ('gap' as const),
        seconds: folded ? 0 : span.wait,
      },
      step,
    ];
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
