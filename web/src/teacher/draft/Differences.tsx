import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { nameOf } from '../../ui/language';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import type { Doc } from './document';
import { differences, type Place } from './merge';

const names: Record<string, string> = {
  title: say('conflict.title'),
  question: say('conflict.question'),
  background: say('conflict.background'),
  place: say('conflict.where'),
  outdoors: say('conflict.outdoors'),
  age_band: say('conflict.ages'),
  way: say('conflict.way-of-working'),
  languages: say('conflict.languages'),
  lesson: say('conflict.lesson'),
  trials: say('conflict.trials'),
  changed: say('conflict.what-changes'),
  measured: say('conflict.what-is-measured'),
  kept: say('conflict.what-is-kept'),
  conditions: say('conflict.condition'),
  needs: say('conflict.thing'),
  steps: say('conflict.step'),
  readings: say('conflict.reading'),
  derived: say('conflict.value-worked-out'),
  constants: say('conflict.constant'),
  expectations: say('conflict.expectation'),
  evidence: say('conflict.evidence'),
  questions: say('conflict.question'),
  mistakes: say('conflict.mistake'),
  materials: say('conflict.schools-thing'),
  swaps: say('conflict.schools-swap'),
  cautions: say('conflict.caution'),
  heard: say('conflict.answer'),
  lowered: say('conflict.lowering'),
  schema: say('conflict.form'),
};
const lists = [
  'conditions',
  'needs',
  'steps',
  'readings',
  'derived',
  'expectations',
  'evidence',
  'questions',
  'cautions',
] as const;

/** A place of the document in words: “step 2, text (English)”. */
function placeWords(place: Place, docs: Doc[]): string {
  const [top, id, ...rest] = place;
  let words = names[top] ?? String(top);
  let left = id === undefined ? [] : [id, ...rest];
  if (lists.includes(top as (typeof lists)[number]) && id !== undefined) {
    const n =
      docs
        .map((d) => (d[top as (typeof lists)[number]] ?? []).findIndex((x) => x.id === id))
        .find((i) => i >= 0) ?? 0;
    words += ` ${n + 1}`;
    left = rest;
  }
  return [
    words,
    ...left
      .filter((k) => k !== 'name')
      .map((k) =>
        /^[a-z]{2}$/.test(String(k)) ? nameOf(String(k)) : String(k).replaceAll('_', ' '),
      ),
  ].join(', ');
}

/** A value in words; something with parts by its name. */
function valueWords(v: unknown): string {
  if (v === undefined || v === null || v === '') return say('conflict.nothing');
  if (typeof v === 'boolean') return v ? say('conflict.yes') : say('conflict.no');
  if (Array.isArray(v)) return v.map(valueWords).join(', ') || say('conflict.nothing');
  if (typeof v === 'object') {
    const o = v as Record<string, unknown>;
    const name = o.name ?? o.title ?? o.text;
    return name
      ? valueWords(name)
      : Object.values(o)
          .filter((x) => typeof x === 'string' && x)
          .join(' · ') || say('conflict.nothing');
  }
  return typeof v === 'number' ? String(v) : JSON.stringify(v);
}

const shown = 12;

/** Where two documents differ, place by place, each as it stands in either. */
export function Differences({
  mine,
  theirs,
  heads,
}: {
  mine: Doc;
  theirs: Doc;
  heads: [mine: string, theirs: string];
}) {
  const [all, setAll] = useState(false);
  const rows = differences(mine, theirs);
  return (
    <>
      <div className="scroll" tabIndex={0} role="region" aria-label={say('conflict.what-differs')}>
        <Grid dense>
          <thead>
            <tr>
              <th scope="col">{say('conflict.where')}</th>
              <th scope="col">{heads[0]}</th>
              <th scope="col">{heads[1]}</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, all ? undefined : shown).map((r) => (
              <tr key={r.place.join('/')}>
                <th scope="row">{placeWords(r.place, [mine, theirs])}</th>
                <td>{valueWords(r.mine)}</td>
                <td>{valueWords(r.theirs)}</td>
              </tr>
            ))}
          </tbody>
        </Grid>
      </div>
      {rows.length > shown && !all && (
        <Button variant="plain" size="sm" onClick={() => setAll(true)}>
          {say('conflict.and-more', { value: rows.length - shown })}
        </Button>
      )}
    </>
  );
}
