import type { ScaleLinear } from 'd3-scale';

interface Props {
  scale: ScaleLinear<number, number>;
  ticks: number[];
  /** Where its line stands: above what is drawn, at its left, or below it. */
  side: 'top' | 'left' | 'bottom';
  at: number;
  figure: (tick: number) => string;
}

const long = 11;
const short = 6;

/** An axis as on a measuring jug: ticks stand inside, long every second one; the figures outside. */
export function JugAxis({ scale, ticks, side, at, figure }: Props) {
  const [from, to] = scale.range();
  const upright = side === 'left';
  const inside = side === 'bottom' ? -1 : 1;
  return (
    <g className="jug-axis">
      <path d={upright ? `M${at} ${from} V${to}` : `M${from} ${at} H${to}`} />
      {ticks.map((t, i) => {
        const length = inside * (i % 2 ? short : long);
        return (
          <g key={t}>
            <path d={upright ? `M${at} ${scale(t)} h${length}` : `M${scale(t)} ${at} v${length}`} />
            {upright ? (
              <text x={at - 8} y={scale(t) + 4.5} textAnchor="end">
                {figure(t)}
              </text>
            ) : (
              <text x={scale(t)} y={at + (side === 'top' ? -8 : 18)} textAnchor="middle">
                {figure(t)}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}
