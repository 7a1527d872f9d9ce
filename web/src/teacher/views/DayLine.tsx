import { scaleLinear } from 'd3-scale';
import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import { useWidth } from '../../ui/useWidth';
import { clockOf } from '../parts/dates';
import { JugAxis } from '../parts/JugAxis';
import { say } from '../words';

interface Props {
  assignments: Schemas['AssignmentView'][];
  incidents: Schemas['IncidentView'][];
}

interface Mark {
  key: string;
  at: Date;
  words: string;
  kind: 'trouble' | 'opens' | 'due';
}

const from = 6;
const to = 23;
const line = 24; // px, where the axis stands
const row = 22;

const hourOf = (d: Date) => d.getHours() + d.getMinutes() / 60;
const today = (d: Date) => d.toDateString() === new Date().toDateString();

/** Marks that would lie on each other stand in rows below each other: the row of each. */
function rows(marks: { x: number; width: number }[]): number[] {
  const ends: number[] = [];
  return marks.map((m) => {
    const free = ends.findIndex((end) => end < m.x);
    const at = free < 0 ? ends.length : free;
    ends[at] = m.x + m.width;
    return at;
  });
}

/** Today by its hours: what opens and what is due, which homes were in trouble, and now. */
export function DayLine({ assignments, incidents }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(1080);
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date()), 60_000);
    return () => clearInterval(timer);
  }, []);
  const hour = scaleLinear()
    .domain([from, to])
    .range([16, width - 16]);
  const x = (d: Date) => hour(Math.min(to, Math.max(from, hourOf(d))));
  const marks: Mark[] = [
    ...incidents.map((i) => ({
      key: i.id,
      at: new Date(i.phone_time),
      words: i.nickname,
      kind: 'trouble' as const,
    })),
    ...assignments
      .filter((a) => a.state !== 'recalled')
      .flatMap((a) => [
        { key: a.id + 'o', at: new Date(a.opens_at), words: a.title, kind: 'opens' as const },
        { key: a.id + 'd', at: new Date(a.due_at), words: a.title, kind: 'due' as const },
      ]),
  ]
    .filter((m) => today(m.at))
    .sort((a, b) => a.at.getTime() - b.at.getTime());
  const said = marks.map((m) => ({
    ...m,
    text: say(`dayLine.${m.kind}`, { time: clockOf(m.at.toISOString()), what: m.words }),
  }));
  const at = rows(said.map((m) => ({ x: x(m.at), width: m.text.length * 7.2 + 20 })));
  const height = line + 30 + row * Math.max(0, ...at.map((r) => r + 1));
  return (
    <div ref={ref} className="day-line">
      <svg
        className="plot"
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={[
          say('dayLine.now', { time: clockOf(now.toISOString()) }),
          ...said.map((m) => m.text),
        ].join('; ')}
      >
        <JugAxis
          scale={hour}
          ticks={Array.from({ length: to - from + 1 }, (_, i) => from + i)}
          side="top"
          at={line}
          figure={String}
        />
        <rect x={hour(from)} y={line - 3} width={Math.max(0, x(now) - hour(from))} height={3} />
        <path className="now" d={`M${x(now)} ${line - 6} V${height}`} />
        <text
          x={x(now) + (x(now) > width / 2 ? -8 : 8)}
          y={height - 7}
          textAnchor={x(now) > width / 2 ? 'end' : 'start'}
        >
          {say('dayLine.now', { time: clockOf(now.toISOString()) })}
        </text>
        {said.map((m, i) => {
          const y = line + 24 + at[i] * row;
          const left = x(m.at) > width - m.text.length * 7.2 - 20;
          return (
            <g key={m.key} className={m.kind}>
              <path d={`M${x(m.at)} ${line} V${y - 4}`} />
              <circle cx={x(m.at)} cy={y - 4} r={5} />
              <text x={x(m.at) + (left ? -9 : 9)} y={y} textAnchor={left ? 'end' : 'start'}>
                {m.text}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
