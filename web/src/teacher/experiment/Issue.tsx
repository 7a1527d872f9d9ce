import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { Link, useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { day } from '../parts/dates';
import { PartError, ProblemLine } from '../parts/states';
import { draftOf, type Review } from '../draft/useDraft';
import { ownLanguage } from '../languages';
import { Said, say } from '../words';
import { local, NewDue } from './NewDue';
import { SinceLast } from './Versions';
import { WhoGetsWhat } from './WhoGetsWhat';
import { WriteToHomes } from './WriteToHomes';

type Assignment = Schemas['AssignmentView'];

/** The evening, some days from now: most homes finish after tea. */
const eveningIn = (days: number) =>
  new Date(new Date(Date.now() + days * 24 * 3600_000).setHours(20, 0, 0, 0));

/** A moment as the server reads it; of a field that is half written nothing. */
const moment = (typed: string) =>
  Number.isNaN(Date.parse(typed)) ? undefined : new Date(typed).toISOString();

/** The class to offer: the one made last that has not this experiment yet. Ids grow with time. */
function offered(classes: Schemas['ClassView'][], issued: Assignment[]): string {
  const newest = (list: Schemas['ClassView'][]) => list.reduce((a, c) => (c.id > a ? c.id : a), '');
  return (
    newest(
      classes.filter((c) => !issued.some((a) => a.class === c.id && a.state !== 'recalled')),
    ) || newest(classes)
  );
}

/** Hands the frozen version to the homes; what is in the way stands first, in the order of mending. */
export function Issue({
  id,
  assignments,
  title,
}: {
  id: string;
  review: Review | undefined;
  assignments: Assignment[];
  title: string;
}) {
  const client = useQueryClient();
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
  });
  const [params] = useSearchParams();
  const [chosen, setChosen] = useState(params.get('class') ?? '');
  const classId = chosen || offered(classes.data?.items ?? [], assignments);
  const cls = classes.data?.items.find((c) => c.id === classId);
  const [opens, setOpens] = useState(local(new Date()));
  const [due, setDue] = useState(local(eveningIn(2)));
  const check = useQuery({
    queryKey: ['issue-check', classId, id, opens, due],
    queryFn: () =>
      draftOf(id, client)
        .flush()
        .catch(() => undefined)
        .then(() =>
          got(
            api.GET('/api/v1/classes/{class}/issue-check/{experiment}', {
              params: {
                path: { class: classId, experiment: id },
                query: { opens: moment(opens), due: moment(due) },
              },
            }),
          ),
        ),
    enabled: Boolean(classId),
    staleTime: 0,
    gcTime: 0,
    placeholderData: (before) => before,
  });
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<unknown>();
  const { did } = useKeeping();
  const issue = async () => {
    setError(undefined);
    try {
      await draftOf(id, client).flush();
      await got(
        api.POST('/api/v1/classes/{class}/assignments', {
          params: { path: { class: classId } },
          body: {
            experiment: id,
            opens_at: new Date(opens).toISOString(),
            due_at: new Date(due).toISOString(),
            draft: check.data?.draft,
          },
        }),
      );
      await client.invalidateQueries();
      did(say('issue.issued-to', { title, name: cls?.name }));
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
        <p className="lead-sentence">{say('issue.you-have-no-class-yet')}</p>
        <Link to="/classes">{say('issue.make-one')}</Link>
      </main>
    );
  }
  const place = (b: Schemas['Blocker']) =>
    b.place === 'class'
      ? `/classes/${classId}?settings`
      : b.place === 'homes'
        ? `/classes/${classId}`
        : b.place === 'safety'
          ? `/experiments/${id}/safety`
          : `/experiments/${id}/${b.path?.match(/^\/(steps|needs|readings|derived|evidence)/) ? 'steps' : 'plan'}?at=${encodeURIComponent(b.path ?? '')}`;
  return (
    <main className="work">
      {check.error && (
        <PartError
          what={say('issue.what-is-in-the-way')}
          error={check.error}
          retry={() => void check.refetch()}
        />
      )}
      <p className="lead-sentence" role="status">
        {blockers.length === 0
          ? check.data
            ? say('issue.nothing-is-in-the-way')
            : say('issue.looking-at-what-is-in-the')
          : say('issue.in-the-way', { n: blockers.length })}
      </p>
      <ol className="indented">
        {blockers.map((b) => (
          <li key={b.code + b.path}>
            <Notice>
              <strong>{b.message}</strong> {b.mend}{' '}
              <Link to={place(b)}>{say('issue.go-there')}</Link>
            </Notice>
          </li>
        ))}
      </ol>
      {(check.data?.conflicts ?? []).length > 0 && (
        <Notice kind="note">
          <strong>{say('issue.conflicts')}</strong>{' '}
          {check.data!.conflicts.map((c) => `${c.homes.join(', ')}: ${c.says}`).join(' · ')}
        </Notice>
      )}
      {check.data?.warnings.map((w) => (
        <Notice key={w} kind="note">
          {w}
        </Notice>
      ))}
      <SinceLast id={id} />
      <section className="band" aria-label={say('issue.to-whom-and-when')}>
        <div className="field-row column-wide">
          <div>
            <label className="named" htmlFor="to-class">
              {say('classPage.class')}
            </label>
            <FormSelect id="to-class" value={classId} onChange={(e) => setChosen(e.target.value)}>
              {classes.data?.items.map((c) => (
                <option key={c.id} value={c.id}>
                  {say('issue.homes', {
                    name: c.name,
                    homes: say('count.homes', { count: c.homes }),
                  })}
                </option>
              ))}
            </FormSelect>
          </div>
          <div>
            <label className="named" htmlFor="opens">
              {say('issue.opens')}
            </label>
            <FormControl
              id="opens"
              type="datetime-local"
              value={opens}
              onChange={(e) => setOpens(e.target.value)}
            />
          </div>
          <div>
            <label className="named" htmlFor="due">
              {say('issue.due')}
            </label>
            <FormControl
              id="due"
              type="datetime-local"
              value={due}
              onChange={(e) => setDue(e.target.value)}
            />
          </div>
        </div>
        <p className="hint small">{say('issue.times-are-of-this-computer-what')}</p>
        <ProblemLine error={error} />
        <Button
          aria-disabled={blockers.length > 0 || !check.data}
          aria-describedby="why-not"
          onClick={() => blockers.length === 0 && check.data && setAsking(true)}
        >
          {say('issue.issue-version-to-homes', {
            value: check.data?.number ?? '',
            homes: say('count.homes', { count: check.data?.homes ?? 0 }),
          })}
        </Button>
        <span id="why-not" className="second small">
          {' '}
          {blockers.length > 0 &&
            say('issue.waits-for-above', {
              value: say('count.things', { count: blockers.length }),
            })}
        </span>{' '}
        {classId && <Link to={`/classes/${classId}/codes`}>{say('classPage.codes-to-print')}</Link>}
      </section>
      {check.data && <WhoGetsWhat gets={check.data.gets} experiment={id} of={classId} />}
      {assignments.length > 0 && (
        <section className="band" aria-label={say('issue.issued')}>
          <h2>{say('issue.issued')}</h2>
          {assignments.map((a) => (
            <IssuedLine key={a.id} a={a} />
          ))}
        </section>
      )}
      <Modal show={asking} onHide={() => setAsking(false)} aria-labelledby="issue-title">
        <Modal.Body>
          <h2 id="issue-title">
            {say('issue.issue-to-homes-of', {
              title,
              homes: say('count.homes', { count: check.data?.homes ?? 0 }),
              name: cls?.name,
            })}
          </h2>
          <p>{say('issue.the-version-is-frozen-families-keep')}</p>
          <Button onClick={() => void issue()}>{say('issue.issue-it')}</Button>{' '}
          <Button variant="outline-primary" onClick={() => setAsking(false)}>
            {say('issue.not-yet')}
          </Button>
        </Modal.Body>
      </Modal>
    </main>
  );
}

function IssuedLine({ a }: { a: Assignment }) {
  const [recalling, setRecalling] = useState(false);
  const [moving, setMoving] = useState(false);
  const [reason, setReason] = useState('');
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const recall = async () => {
    setError(undefined);
    try {
      await got(
        api.POST('/api/v1/classes/{class}/assignments/{assignment}/recall', {
          params: { path: { class: a.class, assignment: a.id } },
          body: { reason },
        }),
      );
      setRecalling(false);
      await client.invalidateQueries();
    } catch (e) {
      setError(e);
    }
  };
  const link = `?assignment=${a.id}&class=${a.class}`;
  return (
    <div className="card-paper">
      <p className="m-0">
        <Said
          of={say('issue.version-issued-of-sent-run-compare', {
            classname: a.class_name,
            number: a.number,
            day: day(a.issued_at),
            value:
              a.state === 'recalled'
                ? say('issue.taken-back', { day: day(a.recalled_at!) })
                : a.state === 'waiting'
                  ? say('issue.opens-2', { day: day(a.opens_at) })
                  : say('issue.due-2', { day: day(a.due_at) }),
            sent: a.sent,
            homes: a.homes,
          })}
          with={[
            <strong key="0" />,
            <Link key="1" to={`/experiments/${a.experiment}/run${link}`} />,
            <Link key="2" to={`/experiments/${a.experiment}/compare${link}`} />,
          ]}
        />{' '}
        {a.state !== 'recalled' && (
          <a
            href={`/print/classes/${a.class}/assignments/${a.id}/packs?language=${ownLanguage()}`}
            target="_blank"
            rel="noreferrer"
          >
            {say('issue.print-all-packs')}
          </a>
        )}{' '}
        {a.state !== 'recalled' && (
          <a
            href={`/api/v1/classes/${a.class}/assignments/${a.id}/calendar.ics?language=${ownLanguage()}`}
            download
          >
            {say('issue.calendar-file')}
          </a>
        )}{' '}
        {a.state !== 'recalled' && !moving && (
          <Button variant="plain" onClick={() => setMoving(true)}>
            {say('issue.new-end')}
          </Button>
        )}{' '}
        {a.state !== 'recalled' && !recalling && (
          <Button variant="plain" onClick={() => setRecalling(true)}>
            {say('issue.take-back-from-all-homes')}
          </Button>
        )}
      </p>
      {a.state !== 'recalled' && <WriteToHomes a={a} />}
      {moving && <NewDue a={a} onDone={() => setMoving(false)} />}
      {recalling && (
        <div className="mt-2">
          <label className="named" htmlFor={`reason-${a.id}`}>
            {say('issue.what-families-should-read-why-and')}
          </label>
          <FormControl
            id={`reason-${a.id}`}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            placeholder={say('issue.the-dishes-tip-over-please-pour')}
            maxLength={300}
          />
          <ProblemLine error={error} />
          <p className="mt-2 mb-0">
            <Button onClick={() => void recall()}>{say('issue.take-it-back-now')}</Button>{' '}
            <Button variant="outline-primary" onClick={() => setRecalling(false)}>
              {say('findingCard.leave-it')}
            </Button>
          </p>
        </div>
      )}
    </div>
  );
}
