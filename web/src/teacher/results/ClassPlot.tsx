import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Schemas } from '../../api/client';
import { useWidth } from '../../ui/useWidth';
import { JugAxis } from '../parts/JugAxis';
import { Mark, seriesOf, type Series } from './series';
import type { HomeResult, Results } from './useResults';
import { tick } from '../languages';
import { say } from '../words';

const gutter = 92;
const thread = 18;
const foot = 34;

export interface PlotProps {
  r: Results;
  comparison: Schemas['ComparisonView'];
  /** Without names: for a shared screen. */
  anonymous?: boolean;
  chosen?: string | null;
  onOpen?: (home: string) => void;
}

/** One thread a home, every condition on it; thick is give or take, thin is twice that; the class as diamonds at the foot. */
export function ClassPlot({ r, comparison, anonymous, chosen, onOpen }: PlotProps) {
  const [ref, width] = useWidth<HTMLElement>(780);
  const perHome = comparison.groups.every((g) => g.condition === ''); // one value a home, whatever the conditions
  const series = seriesOf(
    perHome
      ? [{ id: '', name: '' }]
      : r.conditions.filter((c) => comparison.groups.some((g) => g.condition === c.id)),
  );
  const value = (h: HomeResult, c: string) => valueOf(h, comparison.derived, c);
  const bound = (h: HomeResult, c: string) => boundOf(h, comparison.derived, c);
  const rows = r.homes.filter((h) => series.some((s) => value(h, s.id) ?? bound(h, s.id)));
  const shown = r.shared && series.some((s) => value(r.shared!, s.id)) ? r.shared : undefined;
  const best =
    [...comparison.groups].filter((g) => g.n > 0).sort((a, b) => b.mean - a.mean)[0]?.condition ??
    '';
  rows.sort((a, b) => (value(b, best)?.value ?? -Infinity) - (value(a, best)?.value ?? -Infinity));
  const all = [...rows, ...(shown ? [shown] : [])].flatMap((h) =>
    series.flatMap((s) => reach(value(h, s.id), bound(h, s.id))),
  );
  const expected = comparison.groups.flatMap((g) => (g.expected === undefined ? [] : [g.expected]));
  const apart = (h: HomeResult) =>
    h.results.some((v) => v.outlier && v.derived === comparison.derived);
  const right = width - (!anonymous && rows.some(apart) ? 96 : 16); // what stands apart is said at the end
  const x = scaleLinear()
    .domain([Math.min(0, ...all, ...expected), Math.max(1, ...all, ...expected)])
    .nice()
    .range([gutter, right]);
  const ticks = x.ticks(8);
  const height = 46 + rows.length * thread + (shown ? thread + 6 : 0) + foot;
  const y = (i: number) => 46 + i * thread + thread / 2;
  const footY = height - foot / 2 - 4;
  const label = (h: HomeResult) =>
    `${h.nickname}: ${series
      .map(
        (s) => `${s.name} ${(value(h, s.id) ?? bound(h, s.id))?.text ?? say('classPlot.missing')}`,
      )
      .join(', ')}`;
  const threadOf = (h: HomeResult, at: number, open: boolean) => (
    <Thread
      {...{ series, x, at, open, right }}
      value={(c) => value(h, c)}
      bound={(c) => bound(h, c)}
    />
  );
  if (all.length === 0) return <p className="hint">{say('classPlot.no-home-has-a-value-yet')}</p>;
  return (
    <figure ref={ref} className="m-0">
      <Lanes series={series} />
      <svg
        className="plot"
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={say('classPlot.by-home', { name: comparison.name })}
      >
        <JugAxis
          scale={x}
          ticks={ticks}
          side="top"
          at={30}
          figure={(t) => tick(t, ticks[1] - ticks[0])}
        />
        <text x={8} y={18}>
          {comparison.unit}
        </text>
        {rows.map((h, i) => (
          <g
            key={h.home}
            role={onOpen ? 'button' : undefined}
            tabIndex={onOpen ? 0 : undefined}
            aria-label={
              anonymous ? undefined : label(h) + (apart(h) ? say('classPlot.stands-apart') : '')
            }
            className={onOpen && 'opens'}
            onClick={() => onOpen?.(h.home!)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              onOpen?.(h.home!);
            }}
          >
            <Row y={y(i)} width={width} chosen={chosen === h.home} />
            {threadOf(h, y(i), false)}
          </g>
        ))}
        {!anonymous &&
          rows.map((h, i) => (
            <HomeName key={h.home} name={h.nickname} y={y(i)} width={width} apart={apart(h)} />
          ))}
        {shown && (
          <g role="img" aria-label={say('classPlot.shared-not-counted', { label: label(shown) })}>
            <text x={8} y={y(rows.length) + 8}>
              {say('classPlot.shared')}
            </text>
            {threadOf(shown, y(rows.length) + 4, true)}
          </g>
        )}
        <path d={`M0 ${height - foot - 2} H${width}`} stroke="var(--rule)" />
        <Expected groups={comparison.groups} series={series} x={x} height={height} />
        <text x={8} y={footY + 5}>
          {say('classPlot.class')}
        </text>
        <ClassValues groups={comparison.groups} series={series} x={x} y={footY} />
      </svg>
      <figcaption className="hint small">
        {say('classPlot.thick-give-or-take-thin-twice', {
          value:
            rows.some((h) => series.some((s) => bound(h, s.id))) &&
            say('classPlot.a-row-of-dots-only-a'),
          value2:
            shown && (anonymous ? say('classPlot.dashed-teachers') : say('classPlot.dashed-own')),
          value3:
            comparison.groups.some((g) => g.expected !== undefined) &&
            say('classPlot.dotted-what-was-expected'),
        })}
      </figcaption>
    </figure>
  );
}

const valueOf = (h: HomeResult, derived: string, c: string) =>
  h.results.find((x) => x.derived === derived && (x.condition ?? '') === c && x.ok);

const boundOf = (h: HomeResult, derived: string, c: string) =>
  h.results.find(
    (x) =>
      x.derived === derived &&
      (x.condition ?? '') === c &&
      !x.ok &&
      (x.low !== undefined || x.high !== undefined),
  );

/** How far a value's thread goes, or its bound. */
const reach = (v: Value | undefined, b: Value | undefined) =>
  v
    ? [v.value! - 2 * v.u!, v.value! + 2 * v.u!]
    : [b?.low, b?.high].filter((end) => end !== undefined);

/** The ground of a home's row: what is pressed. */
const Row = ({ y, width, chosen }: { y: number; width: number; chosen: boolean }) => (
  <rect
    x={0}
    y={y - thread / 2}
    width={width}
    height={thread}
    fill={chosen ? 'var(--sunk)' : 'transparent'}
  />
);

/** A home's label at its thread, and that it stands apart. */
function HomeName({
  name,
  y,
  width,
  apart,
}: {
  name: string;
  y: number;
  width: number;
  apart: boolean;
}) {
  return (
    <g aria-hidden="true" pointerEvents="none">
      <path className="label" d={`M4 ${y - 8} h${gutter - 18} l6 6 v10 h${12 - gutter} z`} />
      <text x={9} y={y + 4.5} className="label">
        {name.length > 9 ? name.slice(0, 8) + '…' : name}
      </text>
      {apart && (
        <text x={width - 8} y={y + 4.5} textAnchor="end" fill="var(--turmeric-ink)">
          {say('classPlot.stands-apart-2')}
        </text>
      )}
    </g>
  );
}

/** What was expected of each condition. */
function Expected({
  groups,
  series,
  x,
  height,
}: Pick<OfClass, 'groups' | 'series' | 'x'> & { height: number }) {
  return (
    <>
      {groups
        .filter((g) => g.expected !== undefined)
        .map((g) => (
          <path
            key={g.condition}
            d={`M${x(g.expected!)} 34 V${height - 4}`}
            stroke={series.find((k) => k.id === g.condition)!.colour}
            strokeWidth="1.5"
            strokeDasharray="2 4"
          />
        ))}
    </>
  );
}

/** Which sign is which condition. */
function Lanes({ series }: { series: Series[] }) {
  return (
    <p className="small mt-0 mb-1">
      {series.map((s) => (
        <span key={s.id} className="me-4 text-nowrap">
          <svg width="16" height="14" viewBox="-8 -7 16 14" aria-hidden="true">
            <Mark series={s} x={0} y={0} />
          </svg>{' '}
          {s.name}
        </span>
      ))}
    </p>
  );
}

type Value = HomeResult['results'][number];

interface OfHome {
  series: Series[];
  x: ScaleLinear<number, number>;
  at: number;
  right: number;
  open: boolean;
  value: (condition: string) => Value | undefined;
  bound: (condition: string) => Value | undefined;
}

/** One home's thread: a mark a condition, thick is give or take, thin is twice that; a row of dots is a bound. */
function Thread({ series, x, at, right, open, value, bound }: OfHome) {
  return (
    <>
      {series.map((s) => {
        const v = value(s.id);
        const b = bound(s.id);
        if (b)
          return (
            <path
              key={s.id}
              d={`M${b.low === undefined ? gutter : x(b.low)} ${at} H${b.high === undefined ? right : x(b.high)}`}
              stroke={s.colour}
              strokeWidth="2"
              strokeDasharray="1 4"
            />
          );
        if (!v) return null;
        const [m, u] = [x(v.value!), Math.abs(x(v.u!) - x(0))];
        return (
          <g key={s.id}>
            <path d={`M${m - 2 * u} ${at} H${m + 2 * u}`} stroke={s.colour} strokeWidth="1.5" />
            <path d={`M${m - u} ${at} H${m + u}`} stroke={s.colour} strokeWidth="5" />
            <Mark series={s} x={m} y={at} open={open} />
          </g>
        );
      })}
    </>
  );
}

interface OfClass {
  groups: Schemas['ComparisonView']['groups'];
  series: Series[];
  x: ScaleLinear<number, number>;
  y: number;
}

/** The class: a diamond a condition, on the band of twice its give or take. */
function ClassValues({ groups, series, x, y }: OfClass) {
  return (
    <>
      {groups
        .filter((g) => g.enough)
        .map((g) => {
          const s = series.find((k) => k.id === g.condition)!;
          const [m, u] = [x(g.mean), Math.abs(x(g.se) - x(0))];
          return (
            <g key={g.condition}>
              <rect
                x={m - 2 * u}
                y={y - 8}
                width={Math.max(2, 4 * u)}
                height={16}
                fill={s.colour}
                fillOpacity={0.16}
                stroke={s.colour}
              />
              <path
                d={`M${m} ${y - 8} l7 8 l-7 8 l-7 -8 z`}
                fill={s.colour}
                stroke="var(--paper)"
                strokeWidth="1.5"
              />
            </g>
          );
        })}
    </>
  );
}
