import type { Schemas } from '../../api/client';
import type { Results } from './useResults';

type Said = Schemas['AnsweredView'];

const verdicts: Record<NonNullable<Said['homes'][number]['verdict']>, string> = { held: 'held', 'not-held': 'did not hold', 'cannot-tell': 'cannot tell' };
const whens: Record<string, string> = { before: 'said before', while: 'said in a step', after: 'said afterwards' };

/** Each question: what the class said, each home's answer beside what it found. */
export function WhatTheySaid({ r, onOpen }: { r: Results; onOpen: (home: string) => void }) {
  if (r.said.length === 0) return null;
  return (
    <section aria-labelledby="said">
      <h2 id="said" style={{ marginTop: 20 }}>What they said</h2>
      {r.said.map((q) => (
        <details key={q.id} open={q.when === 'before' && q.kind !== 'text'}>
          <summary>
            {q.text} <span className="second small">{whens[q.when]}, {q.homes.length === 1 ? 'one home' : `${q.homes.length} homes`}</span>
          </summary>
          <Summary q={q} />
          <div className="scroll" tabIndex={0} role="region" aria-label={`Answers: ${q.text}`}>
            <table className="grid dense">
              <thead>
                <tr>
                  <th scope="col">home</th>
                  <th scope="col">said</th>
                  {q.verdicts && <th scope="col">found</th>}
                  {q.verdicts && <th scope="col">by its own numbers</th>}
                </tr>
              </thead>
              <tbody>
                {q.homes.map((h) => (
                  <tr key={h.home}>
                    <th scope="row">
                      <button type="button" className="btn-plain" onClick={() => onOpen(h.home)}>
                        {h.nickname}
                      </button>
                    </th>
                    <td>
                      {h.words}
                      {h.after_start && <span className="second small"> after the start, not counted</span>}
                    </td>
                    {q.verdicts && <td>{h.result || '–'}</td>}
                    {q.verdicts && <td>{h.verdict && !h.after_start ? verdicts[h.verdict] : '–'}</td>}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </details>
      ))}
    </section>
  );
}

function Summary({ q }: { q: Said }) {
  const counted = q.options.filter((o) => o.n || o.rank);
  return (
    <>
      {q.words && <p style={{ margin: '4px 0' }}>{q.words}</p>}
      {counted.length > 0 && (
        <p className="second small" style={{ margin: '4px 0' }}>
          {counted.map((o) => (o.rank ? `${o.text}: place ${o.rank} on average` : `${o.text}: ${o.n}`)).join(' · ')}
        </p>
      )}
      {q.verdicts && (
        <p style={{ margin: '4px 0' }}>
          By their own numbers it held in {q.held}, did not hold in {q.not_held}; in {q.cannot_tell} the tools cannot tell.
        </p>
      )}
    </>
  );
}
