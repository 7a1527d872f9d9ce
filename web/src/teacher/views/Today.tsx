import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { doors, Trouble } from '../frame/Trouble';
import { dated, day, homesHave, time } from '../parts/dates';
import { Filled } from '../parts/Filled';
import { Loading, PartError } from '../parts/states';
import { ShelfDrawing } from '../parts/ShelfDrawing';
import { Head } from '../frame/TeacherFrame';
import { DayLine } from './DayLine';
import { LateChanges } from './LateChanges';
import { Week } from './Week';
import { Said, say } from '../words';
import { failed } from '../parts/failed';

/** Is any home in trouble, and what is under way? */
export function Today() {
  const incidents = useQuery({
    queryKey: ['incidents'],
    queryFn: () => got(api.GET('/api/v1/incidents')),
  });
  const assignments = useQuery({
    queryKey: ['assignments'],
    queryFn: () => got(api.GET('/api/v1/assignments')),
  });
  const today = new Intl.DateTimeFormat(dated(), {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  }).format(new Date());
  if (incidents.isPending || assignments.isPending)
    return (
      <>
        <Head title={today} />
        <Loading what={say('today.what-happened')} />
      </>
    );
  if (failed(incidents) || failed(assignments))
    return (
      <>
        <Head title={today} />
        <PartError
          what={say('teacherFrame.today')}
          error={incidents.error ?? assignments.error}
          retry={() => {
            void incidents.refetch();
            void assignments.refetch();
          }}
        />
      </>
    );
  const unseen = incidents.data.items.filter((i) => !i.seen_at);
  // Due soonest first; what has not opened yet comes after what has.
  const open = assignments.data.items
    .filter((a) => a.state === 'open' || a.state === 'waiting')
    .sort((a, b) => a.state.localeCompare(b.state) || a.due_at.localeCompare(b.due_at));
  const before =
    assignments.data.items.some((a) => a.state === 'over' || a.state === 'recalled') ||
    incidents.data.items.some((i) => i.seen_at);
  const sentence = [
    unseen.length === 0
      ? say('today.no-home-is-in-trouble')
      : say('today.homes-need-you', { count: unseen.length }),
    open.length === 0
      ? say('today.nothing-is-under-way')
      : say('today.under-way', {
          value:
            open.length === 1
              ? say('today.one-experiment-is')
              : say('today.experiments-are', { n: open.length }),
        }),
  ].join(' ');
  return (
    <>
      <Head title={today} />
      <main className="work">
        <p className="lead-sentence">{sentence}</p>
        <DayLine assignments={assignments.data.items} incidents={incidents.data.items} />
        <div className="two-col">
          <section aria-label={say('today.in-this-order')}>
            <h2>{say('today.in-this-order')}</h2>
            {unseen.map((i) => (
              <Trouble key={i.id} incident={i} />
            ))}
            <LateChanges />
            {open.map((a) => (
              <UnderWay key={a.id} assignment={a} />
            ))}
            {unseen.length + open.length === 0 && (
              <>
                <ShelfDrawing />
                <p>
                  <Said
                    of={say('today.nothing-waits-begin-an-experiment-or')}
                    with={[<Link key="0" to="/experiments" />, <Link key="1" to="/classes" />]}
                  />
                </p>
              </>
            )}
          </section>
          <div>
            <Week assignments={assignments.data.items} />
            {before && (
              <Before assignments={assignments.data.items} incidents={incidents.data.items} />
            )}
          </div>
        </div>
      </main>
    </>
  );
}

/** An experiment under way: who has sent, until when, and where to look. */
function UnderWay({ assignment: a }: { assignment: Schemas['AssignmentView'] }) {
  return (
    <article className="card-paper">
      <p className="m-0">
        <Said
          of={say('today.of-sent-their-work', {
            title: a.title,
            classname: a.class_name,
            sent: a.sent,
            homes: a.homes,
            homesHave: homesHave(a.homes),
            value:
              a.state === 'waiting'
                ? say('today.opens', { day: day(a.opens_at) })
                : say('today.due', { day: day(a.due_at) }),
          })}
          with={[<strong key="0" />]}
        />
      </p>
      <p className="my-1">
        <Filled done={a.sent} of={a.homes} width={240} />
      </p>
      <p className="mt-2 mb-0">
        <Link to={`/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}`}>
          {say('today.who-is-where')}
        </Link>{' '}
        ·{' '}
        <Link to={`/experiments/${a.experiment}/compare?assignment=${a.id}&class=${a.class}`}>
          {say('today.what-they-found')}
        </Link>
      </p>
    </article>
  );
}

interface Past {
  assignments: Schemas['AssignmentView'][];
  incidents: Schemas['IncidentView'][];
}

/** What is over: experiments, and troubles that were seen. */
function Before({ assignments, incidents }: Past) {
  return (
    <section aria-label={say('today.before')} className="mt-4">
      <h2>{say('today.before')}</h2>
      <ul className="plain-list">
        {assignments
          .filter((a) => a.state === 'over' || a.state === 'recalled')
          .map((a) => (
            <li key={a.id} className="row-line">
              <Link to={`/experiments/${a.experiment}/compare?assignment=${a.id}&class=${a.class}`}>
                {a.title}
              </Link>
              <span className="second">
                {say('today.of-sent', {
                  classname: a.class_name,
                  value:
                    a.state === 'recalled'
                      ? say('stationLine.taken-back')
                      : say('today.over-since', { day: day(a.due_at) }),
                  sent: a.sent,
                  homes: a.homes,
                })}
              </span>
            </li>
          ))}
        {incidents
          .filter((i) => i.seen_at)
          .map((i) => (
            <li key={i.id} className="row-line">
              <span>
                <NameLabel name={i.nickname} />{' '}
                <span className="second">
                  {say('today.seen', {
                    value: doors[i.door],
                    day: day(i.phone_time),
                    time: time(i.seen_at!),
                  })}
                </span>
              </span>
            </li>
          ))}
      </ul>
    </section>
  );
}
