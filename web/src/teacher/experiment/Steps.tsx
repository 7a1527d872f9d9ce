import { useEffect } from 'react';
import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import { SideSheet } from '../parts/SideSheet';
import { freshID, type Step } from '../draft/document';
import { Band, Remove, useEditing } from './fields';
import { NeedSheet } from './NeedSheet';
import { NeedsBand } from './NeedsBand';
import { PartsBand } from './PartsBand';
import { ReadingsBand } from './ReadingsBand';
import { StepSheet } from './StepSheet';
import { Strip } from './Strip';
import type { Replace, Review } from '../draft/useDraft';
import { say } from '../words';

/** The procedure to time, the things needed, the readings; a step is edited beside the strip. */
export function Steps({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc, set } = useEditing();
  const [params, change] = useAddress();
  const steps = doc.steps ?? [];
  const at = params.get('at') ?? '';
  const chosen = steps.findIndex(
    (s, i) => s.id === at || at === `/steps/${i}` || at.startsWith(`/steps/${i}/`),
  );
  const needAt = (doc.needs ?? []).findIndex(
    (n, i) => at === `need:${n.id}` || at === `/needs/${i}` || at.startsWith(`/needs/${i}/`),
  );
  const choose = (id?: string) => change({ at: id }, { replace: true });
  useEffect(() => {
    if (at.startsWith('/') && chosen < 0)
      document.getElementById('f-' + at.slice(1).replaceAll('/', '-'))?.focus();
  }, [at, chosen]);
  const add = (kind: Step['kind']) => {
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
          kind,
          title: {},
          duration: '5 min',
          ...(kind === 'measure' && untaken.length > 0 && { takes: untaken }),
        } satisfies Step,
      ],
      say('steps.added-a-step'),
    );
    choose(id);
  };
  const needs = doc.needs ?? [];
  return (
    <div className={chosen >= 0 || needAt >= 0 ? 'with-sheet' : ''}>
      <main className="work">
        <Band
          title={say('steps.the-procedure-to-time')}
          aside={
            <>
              <Button variant="outline-primary" onClick={() => add('do')}>
                {say('steps.add-a-step')}
              </Button>
              <Button variant="outline-primary" onClick={() => add('measure')}>
                {say('steps.add-a-measuring-step')}
              </Button>
            </>
          }
        >
          {steps.length === 0 && (
            <p className="lead-sentence">{say('steps.nothing-happens-yet-write-what-is')}</p>
          )}
          {review && steps.length > 0 && (
            <Strip spans={review.spans} chosen={steps[chosen]?.id} onChoose={choose} />
          )}
          <StepList chosen={chosen} onChoose={choose} />
        </Band>
        <NeedsBand replace={replace} onChoose={choose} />
        <PartsBand />
        <ReadingsBand review={review} replace={replace} />
      </main>
      {needAt >= 0 && chosen < 0 && (
        <SideSheet title={say('steps.thing', { value: needAt + 1 })} onClose={() => choose()}>
          <NeedSheet key={needs[needAt].id} at={needAt} replace={replace} />
        </SideSheet>
      )}
      {chosen >= 0 && (
        <SideSheet title={say('steps.step', { value: chosen + 1 })} onClose={() => choose()}>
          <StepSheet key={steps[chosen].id} at={chosen} review={review} replace={replace} />
          <StepActs at={chosen} replace={replace} onGone={() => choose()} />
        </SideSheet>
      )}
    </div>
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

/** Moves a step earlier or later, or takes it out. */
function StepActs({ at, replace, onGone }: { at: number; replace: Replace; onGone: () => void }) {
  const { doc, set, language } = useEditing();
  const steps = doc.steps ?? [];
  const move = (i: number, by: number) => {
    const next = [...steps];
    [next[i], next[i + by]] = [next[i + by], next[i]];
    replace(
      { ...doc, steps: next },
      say('steps.moved', { name: steps[i].title[language] || say('steps.a-step') }),
    );
  };
  return (
    <div className="band mt-2">
      <Button variant="outline-primary" disabled={at === 0} onClick={() => move(at, -1)}>
        {say('steps.earlier')}
      </Button>{' '}
      <Button
        variant="outline-primary"
        disabled={at === steps.length - 1}
        onClick={() => move(at, 1)}
      >
        {say('steps.later')}
      </Button>{' '}
      <Remove
        what={say('steps.step-2', { value: at + 1 })}
        onRemove={() => {
          set(
            ['steps'],
            steps.filter((__, k) => k !== at),
            say('steps.took-out-a-step'),
          );
          onGone();
        }}
      />
    </div>
  );
}
