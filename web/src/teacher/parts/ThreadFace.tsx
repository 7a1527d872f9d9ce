import type { Schemas } from '../../api/client';
import { layOut } from '../../ui/thread';

/** An experiment's face: its procedure to time, readings tall, an adult's steps dark, long waits folded. */
export function ThreadFace({
  spans,
  width = 260,
}: {
  spans: Schemas['SpanView'][];
  width?: number;
}) {
  return (
    <svg className="thread-face" width={width} viewBox={`0 0 ${width} 26`} aria-hidden="true">
      <path d={`M0 21.5 H${width}`} stroke="var(--edge)" strokeWidth="1.5" />
      {layOut(spans, width, { least: 5, fold: 26 }).map(({ span, kind, x, w }) => {
        if (kind === 'gap') return null;
        if (kind === 'fold') {
          return (
            <g key={`fold ${x}`}>
              <rect x={x} y="4" width={w} height="18" fill="var(--fold)" />
              <path
                d={`M${x} 4 l3 3 l-3 3 l3 3 l-3 3 l3 3 l-3 3 M${x + w} 4 l-3 3 l3 3 l-3 3 l3 3 l-3 3 l3 3`}
                fill="none"
                stroke="var(--edge)"
              />
            </g>
          );
        }
        return (
          <rect
            key={`step ${x}`}
            x={x + 0.5}
            y={span.reads ? 6 : 13}
            width={Math.max(2, w - 1)}
            height={span.reads ? 16 : 9}
            fill={span.adult ? 'var(--damson)' : span.reads ? 'var(--samphire)' : 'var(--paper)'}
            stroke="var(--ink-2)"
            strokeWidth="1"
          />
        );
      })}
    </svg>
  );
}
