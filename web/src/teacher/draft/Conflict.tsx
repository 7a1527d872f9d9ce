import Button from 'react-bootstrap/Button';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import type { Doc } from './document';
import { differences, merge, type Place } from './merge';
import type { State } from './store';
import { nameOf } from '../../ui/language';
import { Said, say } from '../words';

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

/** Two windows changed one draft: what each says where, and three ways on. */
export function Conflict({
  state,
  onSettle,
}: {
  state: State;
  onSettle: (take: 'mine' | 'theirs' | 'both') => void;
}) {
  const { theirs, from } = state.conflict!;
  const mine = state.doc!;
  const rows = differences(mine, theirs.document);
  const clashes = merge(from, mine, theirs.document).clashes.length;
  return (
    <Notice
      live
      className="my-2 mx-5"

      label={say('conflict.changed-in-another-window')}
    >
      <p className="m-0">
        <Said
          of={say('conflict.changed-in-another-window-since-this', {
            value:
              clashes === 0
                ? say('conflict.the-changes-are-in-different-places')
                : say('conflict.changed-in-both', {
                    value:
                      clashes === 1
                        ? say('conflict.one-place-was')
                        : say('conflict.places-were', { clashes }),
                  }),
          })}
          with={[<strong key="0" />]}
        />
      </p>
      <div className="scroll" tabIndex={0} role="region" aria-label={say('conflict.what-differs')}>
        <Grid dense>
          <thead>
            <tr>
              <th scope="col">{say('conflict.where')}</th>
              <th scope="col">{say('conflict.here')}</th>
              <th scope="col">{say('conflict.in-the-other-window')}</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, shown).map((r) => (
              <tr key={r.place.join('/')}>
                <th scope="row">{placeWords(r.place, [mine, theirs.document])}</th>
                <td>{valueWords(r.mine)}</td>
                <td>{valueWords(r.theirs)}</td>
              </tr>
            ))}
          </tbody>
        </Grid>
      </div>
      {rows.length > shown && (
        <p className="small second">{say('conflict.and-more', { value: rows.length - shown })}</p>
      )}
      <p className="mt-2 mb-0 d-flex gap-4 flex-wrap">
        <Button variant="outline-primary" onClick={() => onSettle('both')}>
          {clashes === 0
            ? say('conflict.keep-both')
            : say('conflict.keep-both-mine-where-they-differ')}
        </Button>
        <Button variant="plain" onClick={() => onSettle('mine')}>
          {say('conflict.keep-mine')}
        </Button>
        <Button variant="plain" onClick={() => onSettle('theirs')}>
          {say('conflict.take-theirs')}
        </Button>
      </p>
    </Notice>
  );
}
