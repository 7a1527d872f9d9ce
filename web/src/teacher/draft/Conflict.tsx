import type { Doc } from './document';
import { differences, merge, type Place } from './merge';
import type { State } from './store';

const names: Record<string, string> = {
  title: 'title', question: 'question', background: 'background', place: 'where', outdoors: 'outdoors', age_band: 'ages', way: 'way of working', languages: 'languages', lesson: 'lesson', trials: 'trials', changed: 'what changes', measured: 'what is measured', kept: 'what is kept',
  conditions: 'condition', needs: 'thing', steps: 'step', readings: 'reading', derived: 'value worked out', constants: 'constant', expectations: 'expectation', evidence: 'evidence', questions: 'question', mistakes: 'mistake', materials: 'school’s thing', swaps: 'school’s swap', cautions: 'caution', heard: 'answer', lowered: 'lowering', schema: 'form',
};
const lists = ['conditions', 'needs', 'steps', 'readings', 'derived', 'expectations', 'evidence', 'questions', 'cautions'] as const;

/** A place of the document in words: “step 2, text (English)”. */
function placeWords(place: Place, docs: Doc[]): string {
  const [top, id, ...rest] = place;
  let words = names[top] ?? String(top);
  let left = id === undefined ? [] : [id, ...rest];
  if (lists.includes(top as (typeof lists)[number]) && id !== undefined) {
    const n = docs.map((d) => (d[top as (typeof lists)[number]] ?? []).findIndex((x) => x.id === id)).find((i) => i >= 0) ?? 0;
    words += ` ${n + 1}`;
    left = rest;
  }
  return [words, ...left.filter((k) => k !== 'name').map((k) => ({ en: 'English', es: 'Español' })[k] ?? String(k).replaceAll('_', ' '))].join(', ');
}

/** A value in words; something with parts by its name. */
function valueWords(v: unknown): string {
  if (v === undefined || v === null || v === '') return 'nothing';
  if (typeof v === 'boolean') return v ? 'yes' : 'no';
  if (Array.isArray(v)) return v.map(valueWords).join(', ') || 'nothing';
  if (typeof v === 'object') {
    const o = v as Record<string, unknown>;
    const name = o.name ?? o.title ?? o.text;
    return name ? valueWords(name) : Object.values(o).filter((x) => typeof x === 'string' && x).join(' · ') || 'nothing';
  }
  return String(v);
}

const shown = 12;

/** Two windows changed one draft: what each says where, and three ways on. */
export function Conflict({ state, onSettle }: { state: State; onSettle: (take: 'mine' | 'theirs' | 'both') => void }) {
  const { theirs, from } = state.conflict!;
  const mine = state.doc!;
  const rows = differences(mine, theirs.document);
  const clashes = merge(from, mine, theirs.document).clashes.length;
  return (
    <section className="notice" role="alert" aria-label="Changed in another window" style={{ margin: '8px 20px' }}>
      <p style={{ margin: 0 }}>
        <strong>Changed in another window</strong> since this one last saved. {clashes === 0 ? 'The changes are in different places.' : `${clashes === 1 ? 'One place was' : `${clashes} places were`} changed in both.`}
      </p>
      <div className="scroll" tabIndex={0} role="region" aria-label="What differs">
        <table className="grid dense">
          <thead>
            <tr>
              <th scope="col">where</th>
              <th scope="col">here</th>
              <th scope="col">in the other window</th>
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
        </table>
      </div>
      {rows.length > shown && <p className="small second">and {rows.length - shown} more</p>}
      <p style={{ margin: '6px 0 0', display: 'flex', gap: 16, flexWrap: 'wrap' }}>
        <button type="button" className="btn btn-outline-primary" onClick={() => onSettle('both')}>
          {clashes === 0 ? 'Keep both' : 'Keep both, mine where they differ'}
        </button>
        <button type="button" className="btn-plain" onClick={() => onSettle('mine')}>
          Keep mine
        </button>
        <button type="button" className="btn-plain" onClick={() => onSettle('theirs')}>
          Take theirs
        </button>
      </p>
    </section>
  );
}
