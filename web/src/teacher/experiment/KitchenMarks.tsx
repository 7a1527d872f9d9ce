import type { Schemas } from '../../api/client';
import { say } from '../words';

export type Matrix = Schemas['Matrix'];
export type Row = Matrix['homes'][number];
export type Cell = Row['cells'][number];

export const verdicts: Record<Row['verdict'], string> = {
  'as-designed': say('kitchens.as-designed'),
  'with-substitutes': say('kitchens.with-substitutes'),
  'needs-a-kit': say('kitchens.needs-a-kit'),
  part: say('kitchens.part'),
  'shared-readings': say('kitchens.shared-readings'),
};
export const classes: Record<Cell['class'], string> = {
  pools: say('kitchens.pools'),
  scales: say('kitchens.scales'),
  separate: say('kitchens.separate'),
  unsuitable: say('kitchens.unsuitable'),
};

/** Each way of comparing has a sign of its own, not only a word. */
const signs: Record<Cell['class'], string> = {
  pools: '∪',
  scales: '≈',
  separate: '‖',
  unsuitable: '✕',
};

/** Only what departs has ink: what a home uses, and one sign. */
export function CellMark({ c }: { c: Cell }) {
  if (c.without) return <span className="cell-name">{say('kitchens.left-out')}</span>;
  const sign = c.kit ? '▢' : c.own ? (c.get ? '→' : '') : signs[c.class];
  if (!c.name && !sign)
    return (
      <>
        <span aria-hidden="true">·</span>
        <span className="visually-hidden">{say('kitchens.as-designed')}</span>
      </>
    );
  return (
    <>
      {c.name && <span className="cell-name">{c.name}</span>}
      <span aria-hidden="true" className="cell-sign">
        {sign}
      </span>
      <span className="visually-hidden">{markWords(c)}</span>
    </>
  );
}

/** The same in words, for the sheet and for readers. */
export function markWords(c: Cell): string {
  if (c.without) return say('kitchens.left-out');
  const words = [
    c.kit ? say('kitchens.to-send') : c.own ? '' : classes[c.class],
    c.get ? say('kitchens.to-get') : '',
    c.pinned ? say('kitchens.pinned') : '',
  ].filter(Boolean);
  return words.join(' · ') || say('kitchens.as-designed');
}

/** The key to the signs. */
export function MarkKey() {
  return (
    <p className="hint small mark-key">
      {(['pools', 'scales', 'separate', 'unsuitable'] as const).map((c) => (
        <span key={c}>
          {signs[c]} {classes[c]}
        </span>
      ))}
      <span>▢ {say('kitchens.to-send')}</span>
      <span>→ {say('kitchens.to-get')}</span>
      <span>{say('kitchens.a-dot-is-as-designed')}</span>
    </p>
  );
}
