import Button from 'react-bootstrap/Button';
import { Grid } from '../parts/Grid';
import type { Schemas } from '../../api/client';
import type { Results } from './useResults';
import { NameLabel } from '../../ui/NameLabel';
import { say } from '../words';

type Said = Schemas['AnsweredView'];

const verdicts: Record<NonNullable<Said['homes'][number]['verdict']>, string> = {
  held: say('whatTheySaid.held'),
  'not-held': say('whatTheySaid.did-not-hold'),
  'cannot-tell': say('whatTheySaid.cannot-tell'),
};
const whens: Record<string, string> = {
  before: say('whatTheySaid.said-before'),
  while: say('whatTheySaid.said-in-a-step'),
  after: say('whatTheySaid.said-afterwards'),
};

/** Each question: what the class said, each home's answer beside what it found. */
export function WhatTheySaid({ r, onOpen }: { r: Results; onOpen: (home: string) => void }) {
  if (r.said.length === 0) return null;
  return (
    <section aria-labelledby="said">
      <h2 id="said" className="mt-5">
        {say('whatTheySaid.what-they-said')}
      </h2>
      {r.said.map((q) => (
        <details key={q.id} open={q.when === 'before' && q.kind !== 'text'}>
          <summary>
            {q.text}{' '}
            <span className="second small">
              {whens[q.when]}, {say('classPage.homes', { count: q.homes.length })}
            </span>
          </summary>
          <Summary q={q} />
          <div
            className="scroll"
            tabIndex={0}
            role="region"
            aria-label={say('whatTheySaid.answers', { question: q.text })}
          >
            <Grid dense>
              <thead>
                <tr>
                  <th scope="col">{say('classPage.home')}</th>
                  <th scope="col">{say('whatTheySaid.said')}</th>
                  {q.verdicts && <th scope="col">{say('whatTheySaid.found')}</th>}
                  {q.verdicts && <th scope="col">{say('whatTheySaid.by-its-own-numbers')}</th>}
                </tr>
              </thead>
              <tbody>
                {q.homes.map((h) => (
                  <tr key={h.home}>
                    <th scope="row">
                      <Button variant="plain" onClick={() => onOpen(h.home)}>
                        <NameLabel name={h.nickname} />
                      </Button>
                    </th>
                    <td>
                      {h.words}
                      {h.after_start && (
                        <span className="second small">
                          {' '}
                          {say('whatTheySaid.after-the-start-not-counted')}
                        </span>
                      )}
                    </td>
                    {q.verdicts && <td>{h.result || '–'}</td>}
                    {q.verdicts && (
                      <td>{h.verdict && !h.after_start ? verdicts[h.verdict] : '–'}</td>
                    )}
                  </tr>
                ))}
              </tbody>
            </Grid>
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
      {q.words && <p className="my-1">{q.words}</p>}
      {counted.length > 0 && (
        <p className="second small my-1">
          {counted
            .map((o) =>
              o.rank
                ? say('whatTheySaid.place-on-average', { text: o.text, rank: o.rank })
                : `${o.text}: ${o.n}`,
            )
            .join(' · ')}
        </p>
      )}
      {q.verdicts && (
        <p className="my-1">
          {say('whatTheySaid.by-their-own-numbers-it-held', {
            held: q.held,
            notheld: q.not_held,
            cannottell: q.cannot_tell,
          })}
        </p>
      )}
    </>
  );
}
