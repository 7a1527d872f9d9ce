import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { useEditing } from '../draft/fields';
import type { Review } from '../draft/useDraft';
import { say } from '../words';

export const stations = [
  'plan',
  'steps',
  'safety',
  'kitchens',
  'issue',
  'run',
  'collect',
  'compare',
] as const;
export type Station = (typeof stations)[number];
const names: Record<Exclude<Station, 'steps'>, string> = {
  plan: say('stationLine.plan'),
  safety: say('margin.safety'),
  kitchens: say('stationLine.kitchens'),
  issue: say('stationLine.issue'),
  run: say('stationLine.run'),
  collect: say('stationLine.collect'),
  compare: say('stationLine.compare'),
};

type Knot = 'done' | 'wants' | 'stopped' | 'open';

/** Where the experiment stands: eight knots on a cord. The shape of a knot carries its state, the words say it. */
export function StationLine({
  id,
  here,
  review,
  assignment,
  search,
}: {
  id: string;
  here: Station;
  review: Review | undefined;
  assignment: Schemas['AssignmentView'] | undefined;
  search: string;
}) {
  const { doc } = useEditing();
  const errors = review?.validation.filter((f) => f.severity === 'error') ?? [];
  const planErrors = errors.filter((f) =>
    /^\/(title|question|age_band|way|languages|lesson|conditions|changed|measured|trials|questions)/.test(
      f.path,
    ),
  );
  const kept = review?.safety.filter((f) => f.verdict === 'not-at-home') ?? [];
  const disorder = review?.order.filter((o) => o.kind === 'error') ?? [];
  const jobs = review?.guardian.adult_jobs.length ?? 0;
  const words: Record<Station, [Knot, string]> = {
    plan: planErrors.length
      ? ['wants', say('stationLine.to-mend', { n: planErrors.length })]
      : ['done', say('stationLine.in-order')],
    steps:
      errors.length - planErrors.length > 0
        ? ['wants', say('stationLine.to-mend-2', { value: errors.length - planErrors.length })]
        : [
            'done',
            say('stationLine.steps-min-hands', {
              count: review?.strip.blocks.length ?? 0,
              hands: review?.hands ?? 0,
            }),
          ],
    safety:
      kept.some((f) => !f.asks) && doc.way !== 'watch-shared'
        ? ['stopped', say('stationLine.not-at-home')]
        : kept.length + disorder.length > 0
          ? ['wants', say('stationLine.to-settle', { value: kept.length + disorder.length })]
          : [
              'done',
              jobs ? say('stationLine.jobs', { count: jobs }) : say('stationLine.no-adult-job'),
            ],
    kitchens: ['open', say('stationLine.a-plan-each')],
    issue: assignment
      ? [
          'done',
          say('stationLine.version', { class: assignment.class_name, number: assignment.number }),
        ]
      : ['open', review?.issuable ? say('stationLine.can-be-issued') : say('stationLine.waits')],
    run: assignment
      ? [
          assignment.state === 'open' ? 'open' : 'done',
          {
            open: say('stationLine.open-now'),
            waiting: say('stationLine.not-open-yet'),
            over: say('stationLine.over'),
            recalled: say('stationLine.taken-back'),
          }[assignment.state],
        ]
      : ['open', say('stationLine.waits')],
    collect: assignment
      ? ['open', say('stationLine.of-in', { sent: assignment.sent, homes: assignment.homes })]
      : ['open', say('stationLine.waits')],
    compare: assignment
      ? [
          'open',
          assignment.sent > 0
            ? say('stationLine.see-what-they-found')
            : say('stationLine.too-early'),
        ]
      : ['open', say('stationLine.waits')],
  };
  return (
    <nav aria-label={say('stationLine.stations')}>
      <ol className="stations">
        {stations.map((s) => {
          const [knot, said] = words[s];
          return (
            <li key={s} className={knot === 'done' ? 'solid' : ''}>
              <Link
                to={`/experiments/${id}/${s}${search}`}
                aria-current={s === here ? 'step' : undefined}
              >
                <span className="station-name">
                  {s === 'steps' ? (
                    <>
                      <span className="wide">{say('stationLine.materials-and-steps')}</span>
                      <span className="narrow">{say('stationLine.steps')}</span>
                    </>
                  ) : (
                    names[s]
                  )}
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
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true" className="d-block">
      {here && (
        <circle cx="8" cy="8" r="7" fill="var(--ground)" stroke="var(--ink)" strokeWidth="1.5" />
      )}
      {knot === 'done' && <circle cx="8" cy="8" r={here ? 4 : 5} fill="var(--samphire)" />}
      {knot === 'wants' && <path d="M8 3 L13 8 L8 13 L3 8 Z" fill="var(--turmeric)" />}
      {knot === 'stopped' && <rect x="3.5" y="3.5" width="9" height="9" fill="var(--brick)" />}
      {knot === 'open' && (
        <circle
          cx="8"
          cy="8"
          r={here ? 3.5 : 5}
          fill="var(--ground)"
          stroke="var(--edge)"
          strokeWidth="2"
        />
      )}
    </svg>
  );
}
