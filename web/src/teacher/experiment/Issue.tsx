import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { Link, useSearchParams } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { day, PartError, ProblemLine } from '../frame/parts';
import { draftOf, type Review } from '../draft/useDraft';

type Assignment = Schemas['AssignmentView'];

const local = (d: Date) => new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);

/** The evening, some days from now: most homes finish after tea. */
const eveningIn = (days: number) => new Date(new Date(Date.now() + days * 24 * 3600_000).setHours(20, 0, 0, 0));

/** The class to offer: the one made last that has not this experiment yet. Ids grow with time. */
function offered(classes: Schemas['ClassView'][], issued: Assignment[]): string {
  const newest = (list: Schemas['ClassView'][]) => list.reduce((a, c) => (c.id > a ? c.id : a), '');
  return newest(classes.filter((c) => !issued.some((a) => a.class === c.id && a.state !== 'recalled'))) || newest(classes);
}

/** Hands the frozen version to the homes; what is in the way stands first, in the order of mending. */
export function Issue({ id, assignments, title }: { id: string; review: Review | undefined; assignments: Assignment[]; title: string }) {
  const client = useQueryClient();
  const classes = useQuery({ queryKey: ['classes'], queryFn: () => ask<Schemas['ListClassView']>('GET', '/classes') });
  const [params] = useSearchParams();
  const [chosen, setChosen] = useState(params.get('class') ?? '');
  const classId = chosen || offered(classes.data?.items ?? [], assignments);
  const cls = classes.data?.items.find((c) => c.id === classId);
  const check = useQuery({ queryKey: ['issue-check', classId, id], queryFn: () => draftOf(id, client).flush().catch(() => undefined).then(() => ask<Schemas['IssueCheck']>('GET', `/classes/${classId}/issue-check/${id}`)), enabled: Boolean(classId), staleTime: 0, gcTime: 0 });
  const [opens, setOpens] = useState(local(new Date()));
  const [due, setDue] = useState(local(eveningIn(2)));
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<unknown>();
  const { did } = useKeeping();
  const issue = async () => {
    setError(undefined);
    try {
      await draftOf(id, client).flush();
      await ask('POST', `/classes/${classId}/assignments`, { body: { experiment: id, opens_at: new Date(opens).toISOString(), due_at: new Date(due).toISOString(), draft: check.data?.draft } });
      await client.invalidateQueries();
      did(`${title} issued to ${cls?.name}`);
    } catch (e) {
      setError(e);
      void check.refetch();
    }
    setAsking(false);
  };
  const blockers = check.data?.blockers ?? [];
  if (classes.data?.items.length === 0) {
    return (
      <main className="work">
        <p className="lead-sentence">You have no class yet.</p>
        <Link to="/classes">Make one</Link>
      </main>
    );
  }
  const place = (b: Schemas['Blocker']) => (b.place === 'class' ? `/classes/${classId}?settings` : b.place === 'homes' ? `/classes/${classId}` : b.place === 'safety' ? `/experiments/${id}/safety` : `/experiments/${id}/${b.path?.match(/^\/(steps|needs|readings|derived|evidence)/) ? 'steps' : 'plan'}?at=${encodeURIComponent(b.path ?? '')}`);
  return (
    <main className="work">
      {check.error && <PartError what="What is in the way" error={check.error} retry={() => void check.refetch()} />}
      <p className="lead-sentence" role="status">
        {blockers.length === 0 ? (check.data ? 'Nothing is in the way.' : 'Looking at what is in the way.') : `In the way: ${blockers.length}.`}
      </p>
      <ol style={{ paddingLeft: '1.4em' }}>
        {blockers.map((b) => (
          <li key={b.code + b.path} className="notice">
            <strong>{b.message}</strong> {b.mend} <Link to={place(b)}>Go there</Link>
          </li>
        ))}
      </ol>
      {check.data?.warnings.map((w) => <p key={w} className="notice plain">{w}</p>)}
      <section className="band" aria-label="To whom and when">
        <div className="field-row" style={{ maxWidth: 760 }}>
          <div>
            <label className="named" htmlFor="to-class">Class</label>
            <select id="to-class" className="form-select" value={classId} onChange={(e) => setChosen(e.target.value)}>
              {classes.data?.items.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name} · {c.homes} homes
                </option>
              ))}
            </select>
          </div>
          <div>
            <label className="named" htmlFor="opens">Opens</label>
            <input id="opens" type="datetime-local" className="form-control" value={opens} onChange={(e) => setOpens(e.target.value)} />
          </div>
          <div>
            <label className="named" htmlFor="due">Due</label>
            <input id="due" type="datetime-local" className="form-control" value={due} onChange={(e) => setDue(e.target.value)} />
          </div>
        </div>
        <p className="hint small">Times are of this computer. What arrives late is taken and marked.</p>
        <ProblemLine error={error} />
        <button type="button" className="btn btn-primary" aria-disabled={blockers.length > 0 || !check.data} aria-describedby="why-not" onClick={() => blockers.length === 0 && check.data && setAsking(true)}>
          Issue version {check.data?.number ?? ''} to {check.data?.homes ?? 0} homes
        </button>
        <span id="why-not" className="second small"> {blockers.length > 0 && `waits for ${blockers.length === 1 ? 'one thing' : `${blockers.length} things`} above`}</span>{' '}
        {classId && <Link to={`/classes/${classId}/codes`}>Codes to print</Link>}
      </section>
      {assignments.length > 0 && (
        <section className="band" aria-label="Issued">
          <h2>Issued</h2>
          {assignments.map((a) => (
            <IssuedLine key={a.id} a={a} />
          ))}
        </section>
      )}
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="issue-title">
        <Modal.Body>
          <h2 id="issue-title">
            Issue {title} to {check.data?.homes} homes of {cls?.name}?
          </h2>
          <p>The version is frozen: families keep exactly this text. You can take it back from all homes at once, but not change it.</p>
          <button type="button" className="btn btn-primary" onClick={() => void issue()}>
            Issue it
          </button>{' '}
          <button type="button" className="btn btn-outline-primary" onClick={() => setAsking(false)}>
            Not yet
          </button>
        </Modal.Body>
      </Modal>
    </main>
  );
}

function IssuedLine({ a }: { a: Assignment }) {
  const [recalling, setRecalling] = useState(false);
  const [reason, setReason] = useState('');
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const recall = async () => {
    setError(undefined);
    try {
      await ask('POST', `/classes/${a.class}/assignments/${a.id}/recall`, { body: { reason } });
      setRecalling(false);
      await client.invalidateQueries();
    } catch (e) {
      setError(e);
    }
  };
  const link = `?assignment=${a.id}&class=${a.class}`;
  return (
    <div className="card-paper">
      <p style={{ margin: 0 }}>
        <strong>{a.class_name}</strong>, version {a.number}, issued {day(a.issued_at)}: {a.state === 'recalled' ? `taken back ${day(a.recalled_at!)}` : a.state === 'waiting' ? `opens ${day(a.opens_at)}` : `due ${day(a.due_at)}`}. {a.sent} of {a.homes} sent.{' '}
        <Link to={`/experiments/${a.experiment}/run${link}`}>Run</Link> · <Link to={`/experiments/${a.experiment}/compare${link}`}>Compare</Link>{' '}
        {a.state !== 'recalled' && !recalling && (
          <button type="button" className="btn-plain" onClick={() => setRecalling(true)}>
            Take back from all homes
          </button>
        )}
      </p>
      {recalling && (
        <div style={{ marginTop: 8 }}>
          <label className="named" htmlFor={`reason-${a.id}`}>
            What families should read: why, and what to do now
          </label>
          <input id={`reason-${a.id}`} className="form-control" value={reason} onChange={(e) => setReason(e.target.value)} placeholder="The dishes tip over. Please pour the water away." maxLength={300} />
          <ProblemLine error={error} />
          <p style={{ margin: '8px 0 0' }}>
            <button type="button" className="btn btn-primary" onClick={() => void recall()}>
              Take it back now
            </button>{' '}
            <button type="button" className="btn btn-outline-primary" onClick={() => setRecalling(false)}>
              Leave it
            </button>
          </p>
        </div>
      )}
    </div>
  );
}
