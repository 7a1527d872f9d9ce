import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { Link, useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Labelled } from '../parts/Labelled';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { PartError, ProblemLine } from '../parts/states';
import { draftOf, type Review } from '../draft/useDraft';
import { say } from '../words';
import { IssuedLine } from './IssuedLine';
import { local } from './NewDue';
import { SinceLast } from './Versions';
import { WhoGetsWhat } from './WhoGetsWhat';

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
  const check = useCheck(id, classId, opens, due);
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
  return (
    <main className="work">
      <InTheWay id={id} of={classId} check={check} />
      <SinceLast id={id} />
      <section className="band" aria-label={say('issue.to-whom-and-when')}>
        <div className="field-row column-wide">
          <ClassChoice classes={classes.data?.items ?? []} chosen={classId} onChoose={setChosen} />
          <Moment id="opens" words={say('issue.opens')} value={opens} onChange={setOpens} />
          <Moment id="due" words={say('issue.due')} value={due} onChange={setDue} />
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
      <Sure
        show={asking}
        title={title}
        homes={check.data?.homes ?? 0}
        name={cls?.name}
        onYes={() => void issue()}
        onNo={() => setAsking(false)}
      />
    </main>
  );
}

/** What is in the way of issuing to a class, asked anew after each change of the draft. */
function useCheck(id: string, classId: string, opens: string, due: string) {
  const client = useQueryClient();
  return useQuery({
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
}

/** Where a blocker is mended. */
function placeOf(b: Schemas['Blocker'], id: string, classId: string) {
  const at = encodeURIComponent(b.path ?? '');
  switch (b.place) {
    case 'class':
      return `/classes/${classId}?settings`;
    case 'homes':
      return `/classes/${classId}`;
    case 'safety':
      return `/experiments/${id}/safety`;
  }
  const onSteps = b.path?.match(/^\/(steps|needs|readings|derived|evidence)/);
  return `/experiments/${id}/${onSteps ? 'steps' : 'plan'}?at=${at}`;
}

/** What is in the way, in the order of mending, and what is only said. */
function InTheWay({
  id,
  of,
  check,
}: {
  id: string;
  of: string;
  check: ReturnType<typeof useCheck>;
}) {
  const blockers = check.data?.blockers ?? [];
  return (
    <>
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
              <Link to={placeOf(b, id, of)}>{say('issue.go-there')}</Link>
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
    </>
  );
}

function ClassChoice({
  classes,
  chosen,
  onChoose,
}: {
  classes: Schemas['ClassView'][];
  chosen: string;
  onChoose: (id: string) => void;
}) {
  return (
    <Labelled id="to-class" words={say('classPage.class')}>
      <FormSelect id="to-class" value={chosen} onChange={(e) => onChoose(e.target.value)}>
        {classes.map((c) => (
          <option key={c.id} value={c.id}>
            {say('issue.homes', {
              name: c.name,
              homes: say('count.homes', { count: c.homes }),
            })}
          </option>
        ))}
      </FormSelect>
    </Labelled>
  );
}

function Moment({
  id,
  words,
  value,
  onChange,
}: {
  id: string;
  words: string;
  value: string;
  onChange: (typed: string) => void;
}) {
  return (
    <Labelled id={id} words={words}>
      <FormControl
        id={id}
        type="datetime-local"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </Labelled>
  );
}

/** Issuing cannot be undone on phones that have it: it is asked once more. */
function Sure({
  show,
  title,
  homes,
  name,
  onYes,
  onNo,
}: {
  show: boolean;
  title: string;
  homes: number;
  name: string | undefined;
  onYes: () => void;
  onNo: () => void;
}) {
  return (
    <Modal show={show} onHide={onNo} aria-labelledby="issue-title">
      <Modal.Body>
        <h2 id="issue-title">
          {say('issue.issue-to-homes-of', {
            title,
            homes: say('count.homes', { count: homes }),
            name,
          })}
        </h2>
        <p>{say('issue.the-version-is-frozen-families-keep')}</p>
        <Button onClick={onYes}>{say('issue.issue-it')}</Button>{' '}
        <Button variant="outline-primary" onClick={onNo}>
          {say('issue.not-yet')}
        </Button>
      </Modal.Body>
    </Modal>
  );
}
