import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, got, type Schemas } from '../../api/client';
import { clockOf, dayOf } from '../parts/dates';
import { PartError } from '../parts/states';
import { say } from '../words';

type Leaving = Schemas['LeavingView'];

const leaves = (l: Leaving) => {
  const homes = say('classPage.homes', { count: l.n });
  const photos = say('week.photos', { count: l.n });
  return {
    class: say('week.all-of-class-is-erased-for', { classname: l.class_name, homes }),
    homes: say('week.taken-out-of-are-erased-for', { homes, classname: l.class_name }),
    photos: say('week.of-are-removed', { photos, title: l.title, classname: l.class_name }),
  }[l.what];
};

/** What comes next: openings, ends, and what will be removed for good. */
export function Week({ assignments }: { assignments: Schemas['AssignmentView'][] }) {
  const leaving = useQuery({
    queryKey: ['leaving'],
    queryFn: () => got(api.GET('/api/v1/leaving')),
  });
  const [now] = useState(() => Date.now());
  const end = now + 7 * 86_400_000;
  const soon = (t: string) => Date.parse(t) > now && Date.parse(t) < end;
  const rows = [
    ...assignments
      .filter((a) => a.state !== 'recalled' && soon(a.opens_at))
      .map((a) => ({
        at: a.opens_at,
        key: a.id + 'o',
        clock: true,
        words: say('week.opens', { title: a.title, class: a.class_name }),
        to: `/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}`,
      })),
    ...assignments
      .filter((a) => a.state !== 'recalled' && soon(a.due_at))
      .map((a) => ({
        at: a.due_at,
        key: a.id + 'd',
        clock: true,
        words: say('week.is-due-of-homes-to-come', {
          title: a.title,
          classname: a.class_name,
          value: a.homes - a.sent,
          homes: a.homes,
        }),
        to: `/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}`,
      })),
    ...(leaving.data?.items ?? []).map((l) => ({
      at: `${l.day}T00:00`,
      key: l.class + l.what + l.title,
      clock: false,
      words: leaves(l),
      to: l.what === 'class' ? '/classes' : `/classes/${l.class}`,
    })),
  ].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  return (
    <section aria-label={say('week.this-week')}>
      <h2>{say('week.this-week')}</h2>
      {leaving.error && (
        <PartError
          what={say('week.what-will-be-removed')}
          error={leaving.error}
          retry={() => void leaving.refetch()}
        />
      )}
      {rows.length === 0 ? (
        <p className="hint">{say('week.nothing-opens-ends-or-is-removed')}</p>
      ) : (
        <ul className="plain-list week">
          {rows.map((r) => (
            <li key={r.key} className="row-line">
              <span className="second">
                {dayOf(r.at)}
                {r.clock && <> {clockOf(r.at)}</>}
              </span>
              <Link to={r.to}>{r.words}</Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
