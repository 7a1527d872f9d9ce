import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Schemas } from '../../api/client';
import { useWidth } from '../../ui/useWidth';
import { JugAxis } from '../parts/JugAxis';
import { tick } from '../languages';
import { say } from '../words';

type Curve = Schemas['Curve'];
type Scale = ScaleLinear<number, number>;

const left = 58;
const right = 26;
const top = 26;
const height = 280;
const foot = 42;

interface Props {
  curve: Curve;
  /** What-ifs beside it, each drawn dotted with its number at its end. */
  others: { number: number; curve: Curve }[];
  caption: string;
}

/** The answer against one amount: a law through its readings, the present answer as a diamond with its give or take, and the band that the tool allows. */
export function AnswerPlot({ curve, others, caption }: Props) {
  const [ref, width] = useWidth<HTMLElement>(600);
  const beside = others.filter(
    (o) => o.curve.x_unit === curve.x_unit && o.curve.vary === curve.vary,
  );
  const drawn = [curve, ...beside.map((o) => o.curve)];
  const xs = drawn.flatMap((c) => c.x ?? []);
  const ys = [
    ...drawn.flatMap((c) => (c.y ?? []).filter((y): y is number => y !== null)),
    ...(curve.points ?? []).map((p) => p[1]),
  ];
  if (curve.at_y !== undefined) ys.push(curve.at_y - 2 * curve.u, curve.at_y + 2 * curve.u);
  const x = scaleLinear()
    .domain([Math.min(...xs), Math.max(...xs)])
    .range([left, width - right]);
  const y = scaleLinear()
    .domain([Math.min(...ys), Math.max(...ys)])
    .nice(6)
    .range([height - foot, top]);
  const xTicks = x.ticks(7);
  const yTicks = y.ticks(6);
  const [first, last] = curve.points?.length
    ? [Math.min(...curve.points.map((p) => p[0])), Math.max(...curve.points.map((p) => p[0]))]
    : [-Infinity, Infinity];
  const clampX = (v: number) => Math.max(left, Math.min(width - right, x(v)));
  const path = (c: Curve, keep?: (v: number) => boolean) => pathOf(c, x, y, keep);
  const end = (c: Curve) => endOf(c, x, y);
  return (
    <figure ref={ref} className="mt-0 mb-2">
      <svg
        className="plot"
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={say('answerPlot.against', { y: curve.y_name, x: curve.x_name, caption })}
      >
        {curve.high > curve.low && (
          <rect
            x={clampX(curve.low)}
            y={top}
            width={Math.max(1, clampX(curve.high) - clampX(curve.low))}
            height={height - foot - top}
            fill="var(--sunk)"
          />
        )}
        <JugAxis
          scale={y}
          ticks={yTicks}
          side="left"
          at={left}
          figure={(t) => tick(t, yTicks[1] - yTicks[0])}
        />
        <JugAxis
          scale={x}
          ticks={xTicks}
          side="bottom"
          at={height - foot}
          figure={(t) => tick(t, xTicks[1] - xTicks[0])}
        />
        <text x={8} y={15}>
          {[curve.y_name, curve.y_unit].filter(Boolean).join(', ')}
        </text>
        <text x={width - right} y={height - 6} textAnchor="end">
          {[curve.x_name, curve.x_unit].filter(Boolean).join(', ')}
        </text>
        {beside.map((o) => {
          const at = end(o.curve);
          return (
            <g key={o.number}>
              <path
                d={path(o.curve)}
                fill="none"
                stroke="var(--ink-2)"
                strokeWidth="2"
                strokeDasharray="1.5 5"
                strokeLinecap="round"
              />
              {at && (
                <text x={at.x + 6} y={at.y + 4.5} fontWeight="700">
                  {o.number}
                </text>
              )}
            </g>
          );
        })}
        <path
          d={path(curve, (v) => v >= first && v <= last)}
          fill="none"
          stroke="var(--samphire)"
          strokeWidth="2.5"
        />
        {curve.points?.length ? (
          <path
            d={path(curve, (v) => v > last || v < first)}
            fill="none"
            stroke="var(--samphire)"
            strokeWidth="2"
            strokeDasharray="7 5"
          />
        ) : null}
        {curve.points?.map((p, i) => (
          <circle
            key={place(p, i)}
            cx={x(p[0])}
            cy={y(p[1])}
            r="5"
            fill="var(--samphire)"
            stroke="var(--paper)"
            strokeWidth="1.5"
          />
        ))}
        <Present curve={curve} x={x} y={y} />
      </svg>
      <Caption curve={curve} />
    </figure>
  );
}

const Caption = ({ curve }: { curve: Curve }) => (
  <figcaption className="hint small">
    {curve.at_x !== undefined ? say('answerPlot.diamond-the-answer-now') : ''}
    {curve.u > 0 ? say('answerPlot.thick-give-or-take-thin-twice') : ''}
    {curve.high > curve.low
      ? say('answerPlot.shaded-what-the-tool-allows-to', { xname: curve.x_name })
      : ''}
    {curve.points?.length ? say('answerPlot.solid-among-the-readings-dashed-beyond') : ''}
  </figcaption>
);

/** The present answer as a diamond, thick its give or take, thin twice that. */
function Present({ curve, x, y }: { curve: Curve; x: Scale; y: Scale }) {
  if (curve.at_x === undefined || curve.at_y === undefined) return null;
  return (
    <g transform={`translate(${x(curve.at_x)} 0)`}>
      {curve.u > 0 && (
        <>
          <path
            d={`M0 ${y(curve.at_y - 2 * curve.u)} V${y(curve.at_y + 2 * curve.u)}`}
            stroke="var(--ink)"
            strokeWidth="1.5"
          />
          <path
            d={`M0 ${y(curve.at_y - curve.u)} V${y(curve.at_y + curve.u)}`}
            stroke="var(--ink)"
            strokeWidth="5"
          />
        </>
      )}
      <path
        d="M0 -8 L7 0 L0 8 L-7 0 z"
        transform={`translate(0 ${y(curve.at_y)})`}
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth="1.5"
      />
    </g>
  );
}

/** A curve as a line, where it has values and is to be drawn. */
function pathOf(c: Curve, x: Scale, y: Scale, keep: (v: number) => boolean = () => true) {
  let d = '';
  let pen = false;
  (c.x ?? []).forEach((v, i) => {
    const at = c.y?.[i];
    if (at === null || at === undefined || !keep(v)) pen = false;
    else {
      d += `${pen ? 'L' : 'M'}${x(v).toFixed(1)} ${y(at).toFixed(1)}`;
      pen = true;
    }
  });
  return d;
}

/** Where a curve ends. */
function endOf(c: Curve, x: Scale, y: Scale) {
  let i = (c.y?.length ?? 0) - 1;
  while (i >= 0 && c.y[i] === null) i--;
  return i < 0 ? undefined : { x: x(c.x[i]), y: y(c.y[i]!) };
}

/** Two readings may be the same; points are drawn, never moved. */
const place = (p: number[], i: number) => `${p.join(' ')} ${i}`;
