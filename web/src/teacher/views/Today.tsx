import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { doors, Trouble } from '../frame/Trouble';
import { day, homesHave, Loading, PartError, time } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { Week } from './Week';

type Incidents = Schemas['ListIncidentView'];
type Assignments = Schemas['ListAssignmentView'];

/** Is any home in trouble, and what is under way? */
export function Today() {
  const incidents = useQuery({ queryKey: ['incidents'], queryFn: () => ask<Incidents>('GET', '/incidents') });
  const assignments = useQuery({ queryKey: ['assignments'], queryFn: () => ask<Assignments>('GET', '/assignments') });
  const today = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }).format(new Date());
  if (incidents.isPending || assignments.isPending) return <><Head title={today} /><Loading what="what happened" /></>;
  if (incidents.error || assignments.error) return <><Head title={today} /><PartError what="Today" error={incidents.error ?? assignments.error} retry={() => { void incidents.refetch(); void assignments.refetch(); }} /></>;
  const unseen = incidents.data.items.filter((i) => !i.seen_at);
  // Due soonest first; what has not opened yet comes after what has.
  const open = assignments.data.items.filter((a) => a.state === 'open' || a.state === 'waiting').sort((a, b) => a.state.localeCompare(b.state) || a.due_at.localeCompare(b.due_at));
  const sentence = [
    unseen.length === 0 ? 'No home is in trouble.' : unseen.length === 1 ? 'One home needs you.' : `${unseen.length} homes need you.`,
    open.length === 0 ? 'Nothing is under way.' : `${open.length === 1 ? 'One experiment is' : `${open.length} experiments are`} under way.`,
  ].join(' ');
  return (
    <>
      <Head title={today} />
      <main className="work">
        <p className="lead-sentence">{sentence}</p>
        <div className="two-col">
          <section aria-label="In this order">
            <h2>In this order</h2>
            {unseen.map((i) => (
              <Trouble key={i.id} incident={i} />
            ))}
            {open.map((a) => (
              <article key={a.id} className="card-paper">
                <p style={{ margin: 0 }}>
                  <strong>{a.title}</strong> · {a.class_name}: {a.sent} of {a.homes} {homesHave(a.homes)} sent their work. {a.state === 'waiting' ? `Opens ${day(a.opens_at)}.` : `Due ${day(a.due_at)}.`}
                </p>
                <p style={{ margin: '6px 0 0' }}>
                  <Link to={`/experiments/${a.experiment}/run?assignment=${a.id}&class=${a.class}`}>Who is where</Link> · <Link to={`/experiments/${a.experiment}/compare?assignment=${a.id}&class=${a.class}`}>What they found</Link>
                </p>
              </article>
            ))}
            {unseen.length + open.length === 0 && (
              <p>
                Nothing waits. <Link to="/experiments">Begin an experiment</Link> or <Link to="/classes">set up a class</Link>.
              </p>
            )}
          </section>
          <div>
          <Week assignments={assignments.data.items} />
          <section aria-label="Before" style={{ marginTop: 16 }}>
            <h2>Before</h2>
            <ul className="plain-list">
              {assignments.data.items.filter((a) => a.state === 'over' || a.state === 'recalled').map((a) => (
                <li key={a.id} className="row-line">
                  <Link to={`/experiments/${a.experiment}/compare?assignment=${a.id}&class=${a.class}`}>{a.title}</Link>
                  <span className="second">
                    {a.class_name}, {a.state === 'recalled' ? 'taken back' : `over since ${day(a.due_at)}`}, {a.sent} of {a.homes} sent
                  </span>
                </li>
              ))}
              {incidents.data.items.filter((i) => i.seen_at).map((i) => (
                <li key={i.id} className="row-line">
                  <span>
                    <NameLabel name={i.nickname} /> <span className="second">{doors[i.door]}, {day(i.phone_time)}, seen {time(i.seen_at!)}</span>
                  </span>
                </li>
              ))}
            </ul>
            {assignments.data.items.every((a) => a.state === 'open' || a.state === 'waiting') && incidents.data.items.every((i) => !i.seen_at) && <p className="hint">What is over stands here.</p>}
          </section>
          </div>
        </div>
      </main>
    </>
  );
}
