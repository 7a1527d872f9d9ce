import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import { Grid } from '../parts/Grid';
import { SideSheet } from '../parts/SideSheet';
import { freshID, type Step } from '../draft/document';
import { Band, PlainField, Remove, TickField, useEditing, WordsField } from './fields';
import { NeedSheet } from './NeedSheet';
import { ReadingsBand } from './ReadingsBand';
import { StepSheet } from './StepSheet';
import { Strip } from './Strip';
import type { Replace, Review } from '../draft/useDraft';
import { useLarder } from '../larder/useLarder';
import { say } from '../words';

/** The procedure to time, the things needed, the readings; a step is edited beside the strip. */
export function Steps({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc, set, language } = useEditing();
  const [params, setParams] = useSearchParams();
  const steps = doc.steps ?? [];
  const at = params.get('at') ?? '';
  const chosen = steps.findIndex(
    (s, i) => s.id === at || at === `/steps/${i}` || at.startsWith(`/steps/${i}/`),
  );
  const needAt = (doc.needs ?? []).findIndex(
    (n, i) => at === `need:${n.id}` || at === `/needs/${i}` || at.startsWith(`/needs/${i}/`),
  );
  const choose = (id?: string) => setParams(id ? { at: id } : {}, { replace: true });
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
  const move = (i: number, by: number) => {
    const next = [...steps];
    [next[i], next[i + by]] = [next[i + by], next[i]];
    replace(
      { ...doc, steps: next },
      say('steps.moved', { name: steps[i].title[language] || say('steps.a-step') }),
    );
  };
  const needs = doc.needs ?? [];
  const { query: larder } = useLarder();
  const thingName = (id: string | undefined) =>
    id && (larder.data?.things.find((t) => t.id === id)?.name ?? id);
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
          <ol className="indented mt-2 mb-0">
            {steps.map((s, i) => (
              <li key={s.id}>
                <Button
                  variant="plain"
                  className={i === chosen ? 'fw-bold' : 'fw-normal'}
                  onClick={() => choose(s.id)}
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
        </Band>
        <Band
          title={say('steps.things-needed')}
          aside={
            <Button
              variant="outline-primary"
              onClick={() => {
                const id = freshID('need', needs);
                set(['needs'], [...needs, { id, name: {} }]);
                choose(`need:${id}`);
              }}
            >
              {say('steps.add-a-thing')}
            </Button>
          }
        >
          {needs.length > 0 && (
            <Grid>
              <thead>
                <tr>
                  <th scope="col" className="third">
                    {say('conflict.thing')}
                  </th>
                  <th scope="col" className="eighth">
                    {say('steps.amount')}
                  </th>
                  <th scope="col">{say('steps.what-it-is')}</th>
                  <th scope="col">{say('steps.use-this-instead-in-your-words')}</th>
                  <th scope="col">
                    <span className="visually-hidden">{say('steps.more')}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {needs.map((n, i) => (
                  <tr key={n.id}>
                    <td>
                      <WordsField
                        label={say('steps.thing', { value: i + 1 })}
                        hideLabel
                        path={['needs', i, 'name']}
                        value={n.name}
                      />
                    </td>
                    <td>
                      <PlainField
                        label={say('steps.amount-of-thing', { value: i + 1 })}
                        hideLabel
                        path={['needs', i, 'amount']}
                        value={n.amount}
                        hint="200 mL"
                      />
                    </td>
                    <td>
                      <Button variant="plain" onClick={() => choose(`need:${n.id}`)}>
                        {thingName(n.material) ??
                          (n.kind && n.kind !== 'material'
                            ? say(`steps.kind.${n.kind}`)
                            : say('steps.not-said'))}
                        <span className="visually-hidden">
                          {say('steps.what-thing-is', { value: i + 1 })}
                        </span>
                      </Button>
                      {n.strength && (
                        <span className="second small">
                          {' '}
                          {n.strength.value}{' '}
                          {n.strength.basis === 'volumes' ? say('steps.vol') : '%'}
                        </span>
                      )}
                    </td>
                    <td>
                      <WordsField
                        label={say('steps.instead-of-thing', { value: i + 1 })}
                        hideLabel
                        path={['needs', i, 'instead', 0]}
                        value={n.instead?.[0]}
                      />
                    </td>
                    <td className="small text-nowrap">
                      <TickField
                        label={say('needSheet.if-at-hand')}
                        path={['needs', i, 'optional']}
                        value={n.optional}
                      />{' '}
                      <Remove
                        what={n.name[language] || say('steps.this-thing')}
                        onRemove={() =>
                          replace(
                            {
                              ...doc,
                              needs: needs.filter((__, k) => k !== i),
                              steps: steps.map((s) => ({
                                ...s,
                                uses: s.uses?.filter((u) => u !== n.id),
                              })),
                            },
                            say('steps.took-out-a-thing'),
                          )
                        }
                      />
                    </td>
                  </tr>
                ))}
              </tbody>
            </Grid>
          )}
        </Band>
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
          <div className="band mt-2">
            <Button
              variant="outline-primary"
              disabled={chosen === 0}
              onClick={() => move(chosen, -1)}
            >
              {say('steps.earlier')}
            </Button>{' '}
            <Button
              variant="outline-primary"
              disabled={chosen === steps.length - 1}
              onClick={() => move(chosen, 1)}
            >
              {say('steps.later')}
            </Button>{' '}
            <Remove
              what={say('steps.step-2', { value: chosen + 1 })}
              onRemove={() => {
                set(
                  ['steps'],
                  steps.filter((__, k) => k !== chosen),
                  say('steps.took-out-a-step'),
                );
                choose();
              }}
            />
          </div>
        </SideSheet>
      )}
    </div>
  );
}
