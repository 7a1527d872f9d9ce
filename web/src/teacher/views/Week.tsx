import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { clockOf, dayOf, PartError } from '../frame/parts';

type Leaving = Schemas['LeavingView'];

const leaves = (l: Leaving) => {
  const homes = l.n === 1 ? 'one home' : `${l.n} homes`;
  const photos = l.n === 1 ? 'one photo' : `${l.n} photos`;
  return { class: `All of class ${l.class_name}, ${homes}, is erased for good.`, homes: `${homes} taken out of ${l.class_name} are erased for good.`, photos: `${photos} of ${l.title}, ${l.class_name}, are removed.` }[l.what];
};

/** What comes next: openings, ends, and what will be removed for good. */
export function Week({ assignments }: { assignments: Schemas['AssignmentView'][] }) {
  const leaving = useQuery({ queryKey: ['leaving'], queryFn: () => ask<Schemas['ListLeavingView']>('GET', '/leaving') });
  const now = Date.now();
  const end = now + 7 * 86_400_000;
  const soon = (t: string) => Date.parse(t) > now && Date.parse(t) < end;
  const rows = [
    ...assignments.filter((a) => a.state !== 'recalled' && soon(a.opens_at)).map((a) => ({ at: a.opens_at, key: a.id + 'o', clock: true, words: `${a.title} opens, ${a.class_name}.`, to: `/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}` })),
    ...assignments.filter((a) => a.state !== 'recalled' && soon(a.due_at)).map((a) => ({ at: a.due_at, key: a.id + 'd', clock: true, words: `${a.title} is due, ${a.class_name}: ${a.homes - a.sent} of ${a.homes} homes to come.`, to: `/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}` })),
    ...(leaving.data?.items ?? []).map((l) => ({ at: `${l.day}T00:00`, key: l.class + l.what + l.title, clock: false, words: leaves(l), to: l.what === 'class' ? '/classes' : `/classes/${l.class}` })),
  ].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  return (
    <section aria-label="This week">
      <h2>This week</h2>
      {leaving.error && <PartError what="What will be removed" error={leaving.error} retry={() => void leaving.refetch()} />}
      {rows.length === 0 ? (
        <p className="hint">Nothing opens, ends or is removed within seven days.</p>
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
