import { layOut } from '../../ui/thread';
import type { Sheet } from '../phone/useHome';

/** The whole work as one thread: steps as marks, waits as a broken line, long ones folded, a peg where one stands. */
export function ProgressThread({ sheet, at }: { sheet: Sheet; at: number }) {
  const spans = sheet.steps.map((s) => ({
    start: s.start,
    end: s.start + s.seconds,
    wait: s.gap,
    fold: s.fold,
    reads: s.takes.length > 0,
  }));
  let step = -1;
  return (
    <svg className="thread" viewBox="0 0 360 14" preserveAspectRatio="none" aria-hidden="true">
      {layOut(spans, 360, { least: 8, fold: 30 }).map(({ span, kind, x, w }) => {
        const width = w - 2;
        if (kind === 'gap')
          return (
            <path
              key={`gap ${x}`}
              d={`M${x} 7 H${x + width}`}
              stroke="var(--edge)"
              strokeWidth="1.5"
              strokeDasharray="2 3"
            />
          );
        if (kind === 'fold')
          return (
            <path
              key={`fold ${x}`}
              d={`M${x} 3 l4 4 l-4 4 M${x + width} 3 l-4 4 l4 4`}
              stroke="var(--edge)"
              fill="none"
              strokeWidth="1.5"
            />
          );
        step++;
        const past = step < at;
        return (
          <g key={`step ${x}`}>
            <rect
              x={x}
              y={span.reads ? 2 : 5}
              width={Math.max(2, width)}
              height={span.reads ? 10 : 5}
              rx="1"
              fill={past ? 'var(--samphire)' : 'var(--paper)'}
              stroke={step === at ? 'var(--ink)' : 'var(--edge)'}
              strokeWidth={step === at ? 2 : 1}
            />
          </g>
        );
      })}
    </svg>
  );
}
