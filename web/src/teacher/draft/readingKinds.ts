import { freshID, type Doc, type Reading } from './document';
import { say } from '../words';

/** The verb is the kind: what a home does for a reading. */
export const readingKinds: [NonNullable<Reading['kind']>, string][] = [
  ['quantity', say('readingKind.measure')],
  ['count', say('readingKind.count')],
  ['ordinal', say('readingKind.judge-on-levels')],
  ['yes-partly-no', say('readingKind.say-yes-partly-or-no')],
  ['choice', say('readingKind.say-which')],
  ['several', say('readingKind.say-which-ones')],
  ['order', say('readingKind.put-in-order')],
  ['stage-order', say('readingKind.say-what-came-first')],
  ['zones', say('readingKind.count-where-they-are')],
  ['words', say('readingKind.describe')],
  ['event', say('readingKind.time-when')],
  ['position', say('readingKind.mark-where')],
  ['text', say('readingKind.write')],
];

/** A reading made one of another kind, with what that kind cannot do without. */
export function ofKind(r: Reading, kind: Reading['kind']): Reading {
  const next: Reading = { ...r, kind };
  const levels = (n: number) =>
    Array.from({ length: n }, (_, i) => ({ id: `level-${i + 1}`, word: {} }));
  if (kind === 'ordinal' && !r.levels?.length) next.levels = levels(3);
  if (kind === 'quantity') next.unit = r.unit || 'mm';
  else if (kind === 'event') next.unit = 'min';
  else delete next.unit;
  if (kind === 'event' && !r.not_by) next.not_by = '30 min';
  if (kind === 'position') next.place = { picture: 'field', from: { x: 0.5, y: 0.5 } };
  else delete next.place;
  if (kind === 'order') next.per = [];
  else delete next.pairs;
  if (kind === 'stage-order') next.per = (r.per ?? []).filter((p) => p !== 'stage');
  return next;
}

/** A reading that is not there yet, of each condition where there are some. */
export function freshReading(doc: Doc, kind: Reading['kind'], name: Reading['name']): Reading {
  const readings = doc.readings ?? [];
  const id = freshID('reading', readings);
  const per: Reading['per'] = (doc.conditions?.length ?? 0) > 1 ? ['condition'] : undefined;
  return ofKind({ id, symbol: id.replaceAll('-', '_'), name, per }, kind);
}
