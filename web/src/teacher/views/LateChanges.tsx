import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, got, type Schemas } from '../../api/client';
import { time } from '../parts/dates';
import { Said, say } from '../words';

/** Homes whose plans were made anew since yesterday: they answered late, or use something else after all. */
export function LateChanges() {
  const late = useQuery({
    queryKey: ['kitchens', 'late'],
    queryFn: () => got(api.GET('/api/v1/late-changes')),
  });
  const items = late.data?.items ?? [];
  if (items.length === 0) return null;
  return (
    <article className="card-paper" aria-label={say('today.plans-made-anew')}>
      <p className="m-0">
        <strong>{say('today.plans-made-anew')}</strong>
      </p>
      <ul className="indented mb-0">
        {items.map((c) => (
          <Change key={c.home + c.assignment} c={c} />
        ))}
      </ul>
    </article>
  );
}

function Change({ c }: { c: Schemas['LateChange'] }) {
  return (
    <li>
      <Said
        of={say('today.plan-made-anew', {
          home: c.nickname,
          title: c.title,
          classname: c.class_name,
          now: c.now,
          was: c.was,
          at: time(c.at),
        })}
        with={[<Link key="0" to={`/experiments/${c.experiment}/kitchens?class=${c.class}`} />]}
      />
      {c.asked && ` ${say('today.asked-again')}`}
    </li>
  );
}
