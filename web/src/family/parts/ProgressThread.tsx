import type { Sheet } from '../phone/useHome';

const foldFrom = 30 * 60; // waits longer than half an hour are folded

/** The whole work as one thread: steps as marks, waits as a broken line, long ones folded, a peg where one stands. */
export function ProgressThread({ sheet, at }: { sheet: Sheet; at: number }) {
  const parts: { width: number; wait?: 'fold' | 'line'; reads: boolean }[] = [];
  let end = 0;
  for (const step of sheet.steps) {
    const wait = Math.max(0, step.start - end);
    if (wait > 0)
      parts.push({
        width: wait > foldFrom ? 900 : Math.max(60, wait),
        wait: wait > foldFrom ? 'fold' : 'line',
        reads: false,
      });
    parts.push({ width: Math.max(120, step.seconds), reads: step.takes.length > 0 });
    end = step.start + step.seconds;
  }
  const total = parts.reduce((sum, p) => sum + p.width, 0) || 1;
  let x = 0;
  let step = -1;
  return (
    <svg className="thread" viewBox="0 0 360 14" preserveAspectRatio="none" aria-hidden="true">
      {parts.map((p) => {
        const from = (x / total) * 360;
        x += p.width;
        const width = (p.width / total) * 360 - 2;
        if (p.wait === 'line')
          return (
            <path
              key={from}
              d={`M${from} 7 H${from + width}`}
              stroke="var(--edge)"
              strokeWidth="1.5"
              strokeDasharray="2 3"
            />
          );
        if (p.wait)
          return (
            <path
              key={from}
              d={`M${from} 3 l4 4 l-4 4 M${from + width} 3 l-4 4 l4 4`}
              stroke="var(--edge)"
              fill="none"
              strokeWidth="1.5"
            />
          );
        step++;
        const past = step < at;
        return (
          <g key={from}>
            <rect
              x={from}
              y={p.reads ? 2 : 5}
              width={Math.max(2, width)}
              height={p.reads ? 10 : 5}
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
