import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got } from '../../api/client';
import { useAddress } from '../frame/address';
import { useKeeping } from '../frame/keeping';
import { day } from '../parts/dates';
import { Notice } from '../parts/Notice';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { say } from '../words';
import { CellSheet } from './CellSheet';
import { HomePlan } from './HomePlan';
import { KitchenAnswers } from './KitchenAnswers';
import { KitchenGrid } from './KitchenGrid';
import { KitchenLists } from './KitchenLists';
import { KitchenMatrix, type Place } from './KitchenMatrix';
import { MarkKey, type Matrix } from './KitchenMarks';
import type { Assignment } from '../results/useResults';
import { PlanAgain } from './PlanAgain';
import { Rehearsal } from './Rehearsal';
import { failed } from '../parts/failed';

interface Tried {
  home: string;
  need: string;
  use: string;
}

/** The rows in their order, which a try does not change. */
const order = (before: Matrix, m: Matrix, by: string) =>
  (by === 'name'
    ? [...before.homes].sort((a, b) => a.nickname.localeCompare(b.nickname))
    : before.homes
  ).flatMap((was) => m.homes.find((h) => h.home === was.home) ?? []);

/** The experiment as each home of a class would do it; only what departs from the design has ink. */
export function Kitchens({ id, issued }: { id: string; issued: Assignment | undefined }) {
  const [params, change] = useAddress();
  const [open, setOpen] = useState<Place>();
  const [tried, setTried] = useState<Tried>();
  const [by, setBy] = useState('look');
  const [problem, setProblem] = useState<unknown>();
  const { did } = useKeeping();
  const client = useQueryClient();
  const of = params.get('class') ?? issued?.class; // the class that it was issued to
  const fetch = (t?: Tried) =>
    got(
      api.GET('/api/v1/experiments/{experiment}/kitchens', {
        params: {
          path: { experiment: id },
          query: { class: of, ...(t && { try_home: t.home, try_need: t.need, try_use: t.use }) },
        },
      }),
    );
  const plan = useQuery({ queryKey: ['kitchens', id, of], queryFn: () => fetch() });
  const trial = useQuery({
    queryKey: ['kitchens', id, of, 'try', tried],
    queryFn: () => fetch(tried),
    enabled: tried !== undefined,
  });
  if (plan.isPending) return <Loading what={say('kitchens.the-kitchens')} />;
  if (failed(plan))
    return (
      <PartError
        what={say('kitchens.the-kitchens')}
        error={plan.error}
        retry={() => void plan.refetch()}
      />
    );
  const m = (tried && trial.data) || plan.data;
  const row = plan.data.homes.find((h) => h.home === open?.home); // what holds, not what is tried
  const at = m.needs.findIndex((n) => n.need === open?.need);
  const again = () => void client.invalidateQueries({ queryKey: ['kitchens', id] });
  const act = async (what: () => Promise<unknown>) => {
    setProblem(undefined);
    try {
      await what();
      await client.invalidateQueries({ queryKey: ['kitchens', id] });
    } catch (e) {
      setProblem(e);
    }
  };
  const pin = (homes: string[], need: string, use: string) =>
    act(() =>
      got(
        api.PUT('/api/v1/classes/{class}/experiments/{experiment}/pins', {
          params: { path: { class: m.class, experiment: id } },
          body: { homes, need, use },
        }),
      ),
    );
  const keep = async (t: Tried) => {
    await pin([t.home], t.need, t.use);
    setTried(undefined);
    const name = m.homes.find((h) => h.home === t.home)?.nickname;
    did(say('kitchens.kept-for', { name }), () => void pin([t.home], t.need, ''));
  };
  return (
    <div className={row ? 'with-sheet' : ''}>
      <main className="work">
        <Heading m={m} tried={Boolean(tried)} onAsk={() => void act(() => asks(m.class, id))} />
        <ProblemLine error={problem} />
        {tried && <KeepOrBack onKeep={() => void keep(tried)} onBack={() => setTried(undefined)} />}
        <Chooser
          m={m}
          by={by}
          onBy={setBy}
          onClass={(c) => change({ class: c }, { replace: true })}
        />
        {m.homes.length > 0 && <Rehearsal key={m.class} experiment={id} of={m.class} />}
        {m.homes.length === 0 && (
          <p className="hint">
            {say(m.classes.length === 0 ? 'kitchens.no-class-yet' : 'kitchens.no-homes-yet')}
          </p>
        )}
        {m.homes.length === 1 && <OneHome m={plan.data} onSaved={again} />}
        {m.homes.length > 1 && (
          <ManyHomes
            id={id}
            m={m}
            plan={plan.data}
            trying={Boolean(tried && trial.data)}
            by={by}
            chosen={open}
            onOpen={setOpen}
            onSaved={again}
          />
        )}
        <KitchenLists m={m} due={issued?.class === m.class ? issued.due_at : undefined} />
      </main>
      {row && at >= 0 && (
        <CellSheet
          key={`${row.home}/${open?.need}`}
          experiment={id}
          of={m.class}
          row={row}
          cell={row.cells[at]}
          need={m.needs[at]}
          onTry={(use) => setTried({ home: row.home, need: m.needs[at].need, use })}
          onPin={(homes, use) => void pin(homes, m.needs[at].need, use)}
          onClose={() => setOpen(undefined)}
        />
      )}
      {row && at < 0 && (
        <SideSheet
          title={say('kitchens.kitchen-of', { nickname: row.nickname })}
          onClose={() => setOpen(undefined)}
        >
          <PlanOf m={m} row={row} onSaved={again} />
        </SideSheet>
      )}
    </div>
  );
}

/** The matrix, and typing answers in or planning again. */
function ManyHomes({
  id,
  m,
  plan,
  trying,
  by,
  chosen,
  onOpen,
  onSaved,
}: {
  id: string;
  m: Matrix;
  /** What holds, where m is what is tried. */
  plan: Matrix;
  trying: boolean;
  by: string;
  chosen: Place | undefined;
  onOpen: (place: Place | undefined) => void;
  onSaved: () => void;
}) {
  const [typing, setTyping] = useState(false);
  return (
    <>
      <div className="my-2">
        <Button variant="plain" aria-expanded={typing} onClick={() => setTyping(!typing)}>
          {say(typing ? 'kitchenGrid.typed' : 'kitchenGrid.type-them-in')}
        </Button>{' '}
        <PlanAgain key={m.class} experiment={id} of={m.class} onDone={onSaved} />
      </div>
      {typing && <KitchenGrid m={plan} experiment={id} onSaved={onSaved} />}
      <KitchenMatrix
        m={m}
        before={trying ? plan : undefined}
        rows={order(plan, m, by)}
        chosen={chosen}
        onOpen={onOpen}
      />
      <MarkKey />
    </>
  );
}

/** With one home there is no matrix: its plan fills the page. */
function OneHome({ m, onSaved }: { m: Matrix; onSaved: () => void }) {
  const row = m.homes[0];
  return (
    <div className="column-wide">
      <h2>{say('kitchens.kitchen-of', { nickname: row.nickname })}</h2>
      <PlanOf m={m} row={row} onSaved={onSaved} />
    </div>
  );
}

const KeepOrBack = ({ onKeep, onBack }: { onKeep: () => void; onBack: () => void }) => (
  <p>
    <Button onClick={onKeep}>{say('kitchens.keep')}</Button>{' '}
    <Button variant="outline-primary" onClick={onBack}>
      {say('kitchens.put-back')}
    </Button>
  </p>
);

/** A home's plan, and what it said of its kitchen. */
function PlanOf({
  m,
  row,
  onSaved,
}: {
  m: Matrix;
  row: Matrix['homes'][number];
  onSaved: () => void;
}) {
  return (
    <>
      <HomePlan row={row} needs={m.needs} />
      <KitchenAnswers
        key={row.home}
        of={{ class: m.class, home: row.home }}
        questions={m.questions}
        own={m.own}
        facts={m.facts}
        answers={row.answers}
        onSaved={onSaved}
      />
    </>
  );
}

const asks = (of: string, experiment: string) =>
  got(
    api.POST('/api/v1/classes/{class}/experiments/{experiment}/ask', {
      params: { path: { class: of, experiment } },
    }),
  );

/** The class in a sentence, and the way to ask those that have not said anything. */
function Heading({ m, tried, onAsk }: { m: Matrix; tried: boolean; onAsk: () => void }) {
  const silent = m.homes.length - m.said;
  return (
    <>
      {m.says && (
        <p className="lead-sentence" role="status">
          {tried ? say('kitchens.would-be', { says: m.says }) : m.says}
        </p>
      )}
      {silent > 0 && !tried && (
        <Notice kind="note">
          {say(m.said === 0 ? 'kitchens.nothing-known' : 'kitchens.some-silent', {
            count: silent,
            homes: say('count.homes', { count: silent }),
            questions: m.questions.filter((q) => !q.for).length,
          })}{' '}
          {m.asked_at && say('kitchens.asked-on', { day: day(m.asked_at) })}{' '}
          <Button variant="plain" onClick={onAsk}>
            {say(m.asked_at ? 'kitchens.ask-again' : 'kitchens.ask-the-homes')}
          </Button>
        </Notice>
      )}
    </>
  );
}

function Chooser({
  m,
  by,
  onBy,
  onClass,
}: {
  m: Matrix;
  by: string;
  onBy: (by: string) => void;
  onClass: (id: string) => void;
}) {
  return (
    <div className="field-row mb-2">
      {m.classes.length > 1 && (
        <div className="field-150">
          <label className="named" htmlFor="kitchens-class">
            {say('kitchens.class')}
          </label>
          <FormSelect id="kitchens-class" value={m.class} onChange={(e) => onClass(e.target.value)}>
            {m.classes.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </FormSelect>
        </div>
      )}
      {m.homes.length > 1 && (
        <div className="field-200">
          <label className="named" htmlFor="kitchens-order">
            {say('kitchens.in-order-of')}
          </label>
          <FormSelect id="kitchens-order" value={by} onChange={(e) => onBy(e.target.value)}>
            <option value="look">{say('kitchens.what-needs-a-look')}</option>
            <option value="name">{say('kitchens.names')}</option>
          </FormSelect>
        </div>
      )}
    </div>
  );
}
