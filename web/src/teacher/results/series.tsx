/** Plot series in a fixed order: the untreated comparison first, then each with its own shape and colour. */
const colours = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => `var(--series-${n})`);
const shapes = ['square', 'disc', 'up', 'diamond', 'down', 'pentagon', 'lens', 'half'] as const;

export interface Series {
  id: string;
  name: string;
  colour: string;
  shape: (typeof shapes)[number];
}

export function seriesOf(conditions: { id: string; name: string; control?: boolean }[]): Series[] {
  let next = 1;
  return conditions.map((c) => {
    const i = c.control ? 0 : next++;
    return { id: c.id, name: c.name, colour: colours[i % 8], shape: shapes[i % 8] };
  });
}

/** A marker: shape and colour say the condition; an open dashed one is shared and not counted. */
export function Mark({
  series,
  x,
  y,
  open,
  size = 5.5,
}: {
  series: Series;
  x: number;
  y: number;
  open?: boolean;
  size?: number;
}) {
  const s = size;
  const d = {
    square: `M${-s} ${-s} h${2 * s} v${2 * s} h${-2 * s} z`,
    disc: `M${-s} 0 a${s} ${s} 0 1 0 ${2 * s} 0 a${s} ${s} 0 1 0 ${-2 * s} 0 z`,
    up: `M0 ${-s * 1.15} L${s * 1.1} ${s} L${-s * 1.1} ${s} z`,
    diamond: `M0 ${-s * 1.25} L${s * 1.1} 0 L0 ${s * 1.25} L${-s * 1.1} 0 z`,
    down: `M0 ${s * 1.15} L${s * 1.1} ${-s} L${-s * 1.1} ${-s} z`,
    pentagon: `M0 ${-s} L${s} ${-s * 0.3} L${s * 0.6} ${s} L${-s * 0.6} ${s} L${-s} ${-s * 0.3} z`,
    lens: `M${-s * 1.2} 0 Q0 ${-s * 1.4} ${s * 1.2} 0 Q0 ${s * 1.4} ${-s * 1.2} 0 z`,
    half: `M${-s} 0 a${s} ${s} 0 0 1 ${2 * s} 0 z`,
  }[series.shape];
  return (
    <path
      d={d}
      transform={`translate(${x} ${y})`}
      fill={open ? 'var(--paper)' : series.colour}
      stroke={open ? series.colour : 'var(--paper)'}
      strokeWidth={1.5}
      strokeDasharray={open ? '2.5 2' : undefined}
    />
  );
}
