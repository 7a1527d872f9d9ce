import { useState } from 'react';
import { Link } from 'react-router';
import Button from 'react-bootstrap/Button';
import { Icon, type IconName } from '../../ui/Icon';
import type { Review } from '../draft/useDraft';
import { say } from '../words';

const topics: Record<string, string> = {
  safety: say('margin.safety'),
  design: say('margin.design'),
  time: say('margin.time'),
  fair: say('margin.fair'),
};
const weights: Record<string, [string, IconName]> = {
  stop: [say('margin.stop'), 'x-octagon'],
  mend: [say('margin.mend'), 'exclamation-diamond'],
  note: [say('margin.note'), 'info-circle'],
  fine: [say('margin.fine'), 'check2'],
};

/** Which station mends a place of the document. */
export const stationOf = (path: string) =>
  /^\/(steps|needs|stages|objects|sections|crew|readings|constants|derived|evidence|mistakes)/.test(
    path,
  )
    ? 'steps'
    : 'plan';

/** What this design means now: always the same lines in the same order, each one sentence with its place. One line while all is fine. */
export function Margin({ id, review }: { id: string; review: Review | undefined }) {
  const fine =
    review !== undefined && review.readable && review.margin.every((l) => l.weight === 'fine');
  const [chosen, setChosen] = useState<boolean>();
  const open = chosen ?? !fine;
  return (
    <section className="margin" aria-label={say('margin.margin')}>
      <div className="margin-head">
        <h2>{say('margin.margin')}</h2>
        {!open && (
          <span className={fine ? 'w-fine' : 'w-mend'}>
            <Icon name={fine ? 'check2' : 'exclamation-diamond'} />{' '}
            {fine
              ? say('margin.fine-2', {
                  join: review.margin.map((l) => topics[l.topic].toLowerCase()).join(', '),
                })
              : say('margin.something-wants-a-look')}
          </span>
        )}
        <Button variant="plain" aria-expanded={open} onClick={() => setChosen(!open)}>
          {open ? say('margin.fold') : say('margin.unfold')}
          <span className="visually-hidden"> {say('margin.the-margin')}</span>
        </Button>
      </div>
      {open && <MarginLines id={id} review={review} />}
    </section>
  );
}

function MarginLines({ id, review }: { id: string; review: Review | undefined }) {
  return (
    <>
      {review && !review.readable && <p className="w-stop">{review.problem}</p>}
      <ul>
        {review?.margin.map((l) => {
          const [word, icon] = weights[l.weight];
          return (
            <li key={l.topic} className={l.weight}>
              <span className={`w-${l.weight}`}>
                <Icon name={icon} /> {word}
              </span>
              <strong>{topics[l.topic]}</strong>
              <span>{l.message}</span>
              {l.path ? (
                <Link
                  to={`/experiments/${id}/${stationOf(l.path)}?at=${encodeURIComponent(l.path)}`}
                >
                  {stationOf(l.path) === 'steps'
                    ? say('margin.to-the-steps')
                    : say('margin.to', { stationOf: stationOf(l.path) })}
                </Link>
              ) : (
                <span />
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
