import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useEditing } from './fields';
import type { Review } from '../draft/useDraft';

export const stations = ['plan', 'steps', 'safety', 'kitchens', 'issue', 'run', 'collect', 'compare'] as const;
export type Station = (typeof stations)[number];
const names: Record<Station, string> = { plan: 'Plan', steps: 'Materials', safety: 'Safety', kitchens: 'Kitchens', issue: 'Issue', run: 'Run', collect: 'Collect', compare: 'Compare' };

type Knot = 'done' | 'wants' | 'stopped' | 'open';

/** Where the experiment stands: eight knots on a cord. The shape of a knot carries its state, the words say it. */
export function StationLine({ id, here, review, assignment, search }: { id: string; here: Station; review: Review | undefined; assignment: Schemas['AssignmentView'] | undefined; search: string }) {
  const { doc } = useEditing();
  const errors = review?.validation.filter((f) => f.severity === 'error') ?? [];
  const planErrors = errors.filter((f) => /^\/(title|question|age_band|way|languages|lesson|conditions|changed|measured|trials|questions)/.test(f.path));
  const kept = review?.safety.filter((f) => f.verdict === 'not-at-home') ?? [];
  const disorder = review?.order.filter((o) => o.kind === 'error') ?? [];
  const jobs = review?.guardian.adult_jobs.length ?? 0;
  const words: Record<Station, [Knot, string]> = {
    plan: planErrors.length ? ['wants', `${planErrors.length} to mend`] : ['done', 'in order'],
    steps: errors.length - planErrors.length > 0 ? ['wants', `${errors.length - planErrors.length} to mend`] : ['done', `${review?.spans.length ?? 0} steps, ${review?.hands ?? 0} min hands`],
    safety: kept.some((f) => !f.asks) && doc.way !== 'watch-shared' ? ['stopped', 'not at home'] : kept.length + disorder.length > 0 ? ['wants', `${kept.length + disorder.length} to settle`] : ['done', jobs ? `${jobs} adult ${jobs === 1 ? 'job' : 'jobs'}` : 'no adult job'],
    kitchens: ['open', 'taken as usual'],
    issue: assignment ? ['done', `${assignment.class_name}, version ${assignment.number}`] : ['open', review?.issuable ? 'can be issued' : 'waits'],
    run: assignment ? [assignment.state === 'open' ? 'open' : 'done', { open: 'open now', waiting: 'not open yet', over: 'over', recalled: 'taken back' }[assignment.state]!] : ['open', 'waits'],
    collect: assignment ? ['open', `${assignment.sent} of ${assignment.homes} in`] : ['open', 'waits'],
    compare: assignment ? ['open', assignment.sent > 0 ? 'see what they found' : 'too early'] : ['open', 'waits'],
  };
  return (
    <nav aria-label="Stations">
      <ol className="stations">
        {stations.map((s, i) => {
          const [knot, said] = words[s];
          return (
            <li key={s} className={knot === 'done' ? 'solid' : ''}>
              <Link to={`/experiments/${id}/${s}${search}`} aria-current={s === here ? 'step' : undefined}>
                <span className="station-name">
                  {i + 1} {names[s]}
                </span>
                <span className="knot">
                  <KnotShape knot={knot} here={s === here} />
                </span>
                <span className="words">{said}</span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

function KnotShape({ knot, here }: { knot: Knot; here: boolean }) {
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true" style={{ display: 'block' }}>
      {here && <circle cx="8" cy="8" r="7" fill="var(--ground)" stroke="var(--ink)" strokeWidth="1.5" />}
      {knot === 'done' && <circle cx="8" cy="8" r={here ? 4 : 5} fill="var(--samphire)" />}
      {knot === 'wants' && <path d="M8 3 L13 8 L8 13 L3 8 Z" fill="var(--turmeric)" />}
      {knot === 'stopped' && <rect x="3.5" y="3.5" width="9" height="9" fill="var(--brick)" />}
      {knot === 'open' && <circle cx="8" cy="8" r={here ? 3.5 : 5} fill="var(--ground)" stroke="var(--edge)" strokeWidth="2" />}
    </svg>
  );
}
