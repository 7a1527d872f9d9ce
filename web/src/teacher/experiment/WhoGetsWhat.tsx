import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { say } from '../words';
import { verdicts } from './KitchenMarks';

/** Homes by what they get, not by the alphabet; long groups fold. */
export function WhoGetsWhat({
  gets,
  experiment,
  of,
}: {
  gets: Schemas['Gets'];
  experiment: string;
  of: string;
}) {
  if (gets.groups.length === 0) return null;
  const silent = gets.groups.reduce((n, g) => n + (g.silent ?? 0), 0);
  return (
    <section className="band" aria-label={say('issue.who-gets-what')}>
      <h2>{say('issue.who-gets-what')}</h2>
      <dl className="who-gets">
        {gets.groups.map((g) => (
          <div key={g.verdict}>
            <dt>
              {g.homes.length} {verdicts[g.verdict]}
            </dt>
            <dd className="second">{shortened(g.homes)}</dd>
          </div>
        ))}
      </dl>
      <p className="small">
        {silent > 0 && <>{say('issue.silent', { count: silent })} </>}
        <Link to={`/experiments/${experiment}/kitchens?class=${of}`}>
          {say('issue.look-at-the-kitchens')}
        </Link>
      </p>
    </section>
  );
}

const most = 6;

/** The first of a list, and how many more there are. */
const shortened = (names: string[]) =>
  names.length > most
    ? say('issue.and-more', {
        names: names.slice(0, most).join(', '),
        count: names.length - most,
      })
    : names.join(', ');
