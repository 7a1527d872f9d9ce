import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { SideSheet } from '../parts/SideSheet';
import { ProblemLine } from '../parts/states';
import { freshID, type Step } from '../draft/document';
import { Sentence } from '../strip/Sentence';
import { Shelf } from '../strip/Shelf';
import { Strip, type Opened } from '../strip/Strip';
import { useNote } from '../strip/useNote';
import { useSteps, type Steps as Acts } from '../strip/useSteps';
import { Band, Remove, useEditing, useGoTo } from '../draft/fields';
import { AskedAtStep } from './AskedAtStep';
import { NeedSheet } from './NeedSheet';
import { NeedsBand } from './NeedsBand';
import { PartsBand } from './PartsBand';
import { PrintablesBand } from './PrintablesBand';
import { RunSheet } from './RunSheet';
import { ReadingsBand } from './ReadingsBand';
import { placeOf, stationOf } from '../draft/places';
import { StepSheet } from './StepSheet';
import type { Replace, Review } from '../draft/useDraft';
import { say } from '../words';

/** A step that was begun and of which nothing was written. */
const isEmpty = (s: Step) =>
  !Object.values({ ...s.title, ...s.text }).some(Boolean) && !s.takes?.length && !s.uses?.length;

/** The procedure to time, the chosen step as a sentence under it, the things on their shelf; a step's rarer settings stand beside. */
export function Steps({
  review,
  replace,
  class: ofClass,
}: {
  review: Review | undefined;
  replace: Replace;
  /** The class that the design is looked at with; none for a usual one. */
  class: string;
}) {
  const { doc, experiment } = useEditing();
  const navigate = useNavigate();
  const [params, change] = useAddress();
  const acts = useSteps(replace);
  const { steps } = acts;
  const at = params.get('at') ?? '';
  const chosen = steps.findIndex(
    (s, i) => s.id === at || at === `/steps/${i}` || at.startsWith(`/steps/${i}/`),
  );
  const more = chosen >= 0 && (params.has('more') || /^\/steps\/\d+\/(?!text|title|see)/.test(at));
  const needs = doc.needs ?? [];
  const needAt = needs.findIndex(
    (n, i) => at === `need:${n.id}` || at === `/needs/${i}` || at.startsWith(`/needs/${i}/`),
  );
  const choose = (id?: string) => change({ at: id, more: undefined }, { replace: true });
  useGoTo(at);
  const [opened, setOpened] = useState<Opened>();
  const place = (to: string) =>
    stationOf(to) === 'safety' ? void navigate(placeOf(experiment, to)) : choose(to);
  const [running, setRunning] = useState(false);
  const [writing, setWriting] = useState({ id: '', turn: 0 });
  const write = (id: string | undefined) => {
    choose(id);
    setWriting(({ turn }) => ({ id: id ?? '', turn: turn + 1 }));
  };
  const next = () => {
    const after = steps[chosen + 1];
    write(after ? after.id : acts.add(steps.length));
  };
  const addMeasuring = useMeasuring(steps, choose);
  return (
    <div className={more || needAt >= 0 || running ? 'with-sheet' : ''}>
      <main className="work">
        <Band
          title={say('steps.the-procedure-to-time')}
          aside={
            <Ways
              {...{ running, noting: opened?.what === 'note', empty: steps.length === 0 }}
              onAdd={() => write(acts.add(steps.length))}
              onMeasure={addMeasuring}
              onNote={() =>
                setOpened({ what: 'note', step: steps[chosen]?.id ?? steps.at(-1)?.id ?? '' })
              }
              onRun={() => {
                choose();
                setRunning(!running);
              }}
            />
          }
        >
          {steps.length === 0 && (
            <p className="lead-sentence">{say('steps.nothing-happens-yet-write-what-is')}</p>
          )}
          {review && (
            <Strip
              {...{ strip: review.strip, steps: acts, chosen: steps[chosen]?.id, class: ofClass }}
              {...{ replace, opened, onOpen: setOpened }}
              {...{ onChoose: choose, onWrite: write, onPlace: place }}
            />
          )}
          {chosen >= 0 && (
            <Chosen
              key={steps[chosen].id}
              at={chosen}
              turn={writing.id === steps[chosen].id ? writing.turn : 0}
              {...{ acts, review, replace, next, choose }}
              onOpen={setOpened}
              onMore={() => change({ more: '1' }, { replace: true })}
            />
          )}
          {review && (
            <Shelf jars={review.strip.shelf} chosenStep={steps[chosen]?.id} onChoose={choose} />
          )}
          <StepList chosen={chosen} onChoose={choose} />
        </Band>
        <NeedsBand replace={replace} onChoose={choose} />
        <PartsBand />
        <PrintablesBand />
        <ReadingsBand review={review} replace={replace} />
      </main>
      {running && !more && needAt < 0 && <RunSheet onClose={() => setRunning(false)} />}
      {needAt >= 0 && chosen < 0 && (
        <SideSheet title={say('steps.thing', { value: needAt + 1 })} onClose={() => choose()}>
          <NeedSheet key={needs[needAt].id} at={needAt} replace={replace} />
        </SideSheet>
      )}
      {more && (
        <SideSheet
          title={say('steps.step', { value: chosen + 1 })}
          onClose={() => choose(steps[chosen].id)}
        >
          <StepSheet key={steps[chosen].id} at={chosen} />
        </SideSheet>
      )}
    </div>
  );
}

/** The ways to go on with the procedure as a whole. */
function Ways({
  running,
  noting,
  empty,
  ...on
}: {
  running: boolean;
  noting: boolean;
  empty: boolean;
  onAdd: () => void;
  onMeasure: () => void;
  onNote: () => void;
  onRun: () => void;
}) {
  return (
    <>
      <Button variant="outline-primary" onClick={on.onAdd}>
        {say('steps.add-a-step')}
      </Button>
      <Button variant="outline-primary" onClick={on.onMeasure}>
        {say('steps.add-a-measuring-step')}
      </Button>
      <Button variant="outline-primary" aria-expanded={noting} onClick={on.onNote}>
        {say('note.note-line')}
      </Button>
      {!empty && (
        <Button variant="outline-primary" aria-expanded={running} onClick={on.onRun}>
          {say('runSheet.run-sheet')}
        </Button>
      )}
    </>
  );
}

/** Adds a step that measures what no step takes yet. */
function useMeasuring(steps: Step[], choose: (id: string) => void) {
  const { doc, set } = useEditing();
  return () => {
    const id = freshID('step', steps);
    const untaken = (doc.readings ?? [])
      .filter(
        (r) => !steps.some((s) => s.takes?.some((t) => t.reading === r.id)) && !r.times?.length,
      )
      .map((r) => ({ reading: r.id }));
    set(
      ['steps'],
      [
        ...steps,
        {
          id,
          kind: 'measure',
          title: {},
          duration: '5 min',
          ...(untaken.length > 0 && { takes: untaken }),
        } satisfies Step,
      ],
      say('steps.added-a-step'),
    );
    choose(id);
  };
}

/** The chosen step as a sentence, what is asked of it, and what can be done with it. */
function Chosen({
  at,
  turn,
  acts,
  review,
  replace,
  next,
  choose,
  onOpen,
  onMore,
}: {
  at: number;
  turn: number;
  onOpen: (what: Opened) => void;
  acts: Acts;
  review: Review | undefined;
  replace: Replace;
  next: () => void;
  choose: (id?: string) => void;
  onMore: () => void;
}) {
  const step = acts.steps[at];
  return (
    <>
      <Sentence
        at={at}
        turn={turn}
        replace={replace}
        onNext={next}
        onLeave={() =>
          isEmpty(step)
            ? choose(acts.remove(at))
            : document.querySelector<HTMLElement>(`[data-step="${step.id}"]`)?.focus()
        }
        onChoose={choose}
      />
      <AskedAtStep at={at} review={review} replace={replace} />
      <StepActs
        {...{ at, acts, replace, onOpen, onMore }}
        onChoose={choose}
        waits={(review?.strip.blocks.find((b) => b.step === step.id)?.wait ?? 0) > 0}
      />
    </>
  );
}

/** The steps as a list, in words, with what each takes. */
function StepList({ chosen, onChoose }: { chosen: number; onChoose: (id: string) => void }) {
  const { doc, language } = useEditing();
  const steps = doc.steps ?? [];
  return (
    <ol className="indented mt-2 mb-0">
      {steps.map((s, i) => (
        <li key={s.id}>
          <Button
            variant="plain"
            className={i === chosen ? 'fw-bold' : 'fw-normal'}
            onClick={() => onChoose(s.id)}
          >
            {s.title[language] || Object.values(s.title)[0] || say('steps.without-a-name')}
          </Button>
          <span className="second small">
            {' '}
            {s.duration}
            {s.wait && say('steps.after', { for: s.wait.for })}
            {(s.takes?.length ?? 0) > 0 && ` · ${say('steps.measures')}`}
            {(s.evidence?.length ?? 0) > 0 && ` · ${say('steps.evidence')}`}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** What can be done with the chosen step as a whole: the twin of every key and drag of the strip. */
function StepActs({
  at,
  acts,
  waits,
  replace,
  onChoose,
  onOpen,
  onMore,
}: {
  at: number;
  acts: Acts;
  /** Something is waited for before it. */
  waits: boolean;
  replace: Replace;
  onChoose: (id?: string) => void;
  onOpen: (what: Opened) => void;
  onMore: () => void;
}) {
  const { doc, language } = useEditing();
  const s = acts.steps[at];
  const lanes = doc.conditions ?? [];
  const own = s.each ? 'each' : (s.conditions?.[0] ?? '');
  return (
    <div className="step-acts">
      <Button variant="outline-primary" onClick={onMore}>
        {say('steps.more-of-this-step')}
      </Button>
      <Button variant="outline-primary" onClick={() => onOpen({ what: 'pegs', step: s.id })}>
        {say('peg.hang-on-it')}
      </Button>
      {waits && (
        <Button variant="outline-primary" onClick={() => onOpen({ what: 'wait', step: s.id })}>
          {say('unfold.its-wait')}
        </Button>
      )}
      <Button variant="outline-primary" disabled={at === 0} onClick={() => acts.move(at, at - 1)}>
        {say('steps.earlier')}
      </Button>
      <Button
        variant="outline-primary"
        disabled={at === acts.steps.length - 1}
        onClick={() => acts.move(at, at + 1)}
      >
        {say('steps.later')}
      </Button>
      <Button variant="outline-primary" onClick={() => onChoose(acts.copy(at))}>
        {say('steps.copy')}
      </Button>
      <SplitAndJoin step={s} last={at === acts.steps.length - 1} replace={replace} />
      {lanes.length > 1 && (
        <label>
          {say('steps.done-for')}{' '}
          <FormSelect
            size="sm"
            className="d-inline-block w-auto"
            value={own}
            onChange={(e) =>
              acts.lanes(
                at,
                e.target.value && e.target.value !== 'each' ? [e.target.value] : [],
                e.target.value === 'each',
              )
            }
          >
            <option value="">{say('steps.all-at-once')}</option>
            <option value="each">{say('steps.each-by-itself')}</option>
            {lanes.map((c) => (
              <option key={c.id} value={c.id}>
                {say('steps.only', { name: c.name[language] || c.id })}
              </option>
            ))}
          </FormSelect>
        </label>
      )}
      <Remove
        what={say('steps.step-2', { value: at + 1 })}
        onRemove={() => onChoose(acts.remove(at))}
      />
    </div>
  );
}

/** Two steps of one, behind its first sentence; or one of it and the next. */
function SplitAndJoin({ step, last, replace }: { step: Step; last: boolean; replace: Replace }) {
  const note = useNote(replace, () => undefined);
  return (
    <>
      <Button variant="outline-primary" onClick={() => void note.split(step.id)}>
        {say('steps.split')}
      </Button>
      {!last && (
        <Button variant="outline-primary" onClick={() => void note.join(step.id)}>
          {say('steps.join')}
        </Button>
      )}
      <ProblemLine error={note.problem} />
    </>
  );
}
