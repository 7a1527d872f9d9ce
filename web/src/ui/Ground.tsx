import type { ReactNode } from 'react';
import { columns, grounds, rows, width } from '../../../core/design/grounds.json';

export type Picture = keyof typeof grounds;

/** A place as shares of a picture's width and height, from the upper left. */
export interface Spot {
  x: number;
  y: number;
}

const span = (n: number) => Array.from({ length: n }, (_, i) => i);
const letter = (column: number) => String.fromCharCode(65 + column);

/** The letters and numbers of all squares. */
export const squares = span(columns).flatMap((c) => span(rows).map((r) => letter(c) + (r + 1)));

/** The letter and number of the square that a place lies in, such as D2. */
export const squareOf = ({ x, y }: Spot) =>
  letter(Math.min(Math.floor(x * columns), columns - 1)) +
  (Math.min(Math.floor(y * rows), rows - 1) + 1);

/** The middle of a square by its letter and number, if there is such a one. */
export function middleOf(square: string): Spot | undefined {
  const at = /^\s*([a-z])\s*(\d)\s*$/i.exec(square);
  const column = (at?.[1].toUpperCase().charCodeAt(0) ?? 0) - 65;
  const row = Number(at?.[2]) - 1;
  if (!at || column < 0 || column >= columns || row < 0 || row >= rows) return undefined;
  return { x: (column + 0.5) / columns, y: (row + 0.5) / rows };
}

/** A place in the drawing's own units. */
export const on = (picture: Picture, { x, y }: Spot) => ({
  x: x * width,
  y: y * grounds[picture].height,
});

interface Props {
  picture: Picture;
  /** The fixed spot. */
  from: Spot;
  label: string;
  /** What is marked on it, in the drawing's units. */
  children?: ReactNode;
}

/** A drawn picture with its squares and its fixed spot; marks lie on it. */
export function Ground({ picture, from, label, children }: Props) {
  const { height, lines } = grounds[picture];
  const fixed = on(picture, from);
  const squares =
    span(columns - 1)
      .map((i) => `M${((i + 1) * width) / columns} 0V${height}`)
      .join('') +
    span(rows - 1)
      .map((i) => `M0 ${((i + 1) * height) / rows}H${width}`)
      .join('');
  return (
    <svg
      className="ground"
      viewBox={`-4 -4 ${width + 8} ${height + 8}`}
      role="img"
      aria-label={label}
    >
      <path className="squares" d={squares} />
      <path d={lines} />
      {span(columns).map((i) => (
        <text key={i} x={((i + 0.5) * width) / columns} y={26}>
          {letter(i)}
        </text>
      ))}
      {span(rows).map((i) => (
        <text key={i} x={width - 14} y={((i + 0.5) * height) / rows + 8}>
          {i + 1}
        </text>
      ))}
      <path
        className="fixed"
        transform={`translate(${fixed.x} ${fixed.y})`}
        d="M-9 0a9 9 0 1 0 18 0a9 9 0 1 0-18 0"
      />
      {children}
    </svg>
  );
}

/** A cross on a picture. */
export function Cross({ picture, at, size = 16 }: { picture: Picture; at: Spot; size?: number }) {
  const { x, y } = on(picture, at);
  return (
    <path
      className="cross"
      transform={`translate(${x} ${y})`}
      d={`M${-size} ${-size}L${size} ${size}M${-size} ${size}L${size} ${-size}`}
    />
  );
}

/** A ring around a place, so wide as a share of the picture's width. */
export function Ring({ picture, at, reach }: { picture: Picture; at: Spot; reach: number }) {
  const { x, y } = on(picture, at);
  return <circle className="ring" cx={x} cy={y} r={reach * width} />;
}
