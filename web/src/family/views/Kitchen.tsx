import { useEffect, useEffectEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { api, got, type Schemas } from '../../api/client';
import { PhonePage } from '../parts/PhonePage';
import { useRemembered } from '../phone/useRemembered';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

type Answers = Schemas['Fields'];
type Question = Schemas['Question'];

/** What this home has, asked kindly; nothing here is wrong. What is tapped is kept on the phone and sent when it can be. */
export function Kitchen({ onGo, ...props }: WorkProps & { onGo: () => void }) {
  const { state, sheet, onWrong } = props;
  const t = useWords();
  const [page, setPage] = useState<Schemas['Page']>();
  const [unsent, setUnsent] = useRemembered<Answers>(state, 'kitchen/unsent');
  const path = { params: { path: { home: state.home } } };
  const ask = useEffectEvent(() => got(api.GET('/api/v1/home/{home}/kitchen', path)));
  const recall = useEffectEvent(() => state.recall<Schemas['Page']>('kitchen/page'));
  const took = useEffectEvent((fresh: Schemas['Page']) => {
    setPage(fresh);
    void state.keep('kitchen/page', fresh);
  });
  const send = useEffectEvent((answers: Answers) =>
    got(api.PUT('/api/v1/home/{home}/kitchen', { ...path, body: answers })),
  );
  const sent = useEffectEvent((answers: Answers) => {
    if (page) took({ ...page, answers, answered: true });
    if (unsent === answers) setUnsent(undefined); // what was tapped meanwhile goes next
  });
  useEffect(() => {
    let live = true;
    ask().then(
      (fresh) => live && took(fresh),
      () => void recall().then((kept) => live && kept && setPage(kept)),
    );
    return () => {
      live = false;
    };
  }, []);
  useEffect(() => {
    if (!unsent || !state.online) return;
    send(unsent).then(
      () => sent(unsent),
      () => undefined, // it waits for a connection
    );
  }, [unsent, state.online]);
  const answers = unsent ?? page?.answers ?? { things: {} };
  const questions = page?.questions ?? [];
  const shown = questions.filter((q) => !q.for || answers.things[q.for] === 'none');
  const set = (q: Question, value: string) =>
    setUnsent(
      q.tool
        ? { ...answers, tools: { ...answers.tools, [q.id]: value } }
        : { ...answers, things: { ...answers.things, [q.id]: value } },
    );
  return (
    <PhonePage
      place={sheet.title}
      heading={t('yourKitchen')}
      focusKey="kitchen"
      state={state}
      action={{ words: t('enoughForNow'), do: onGo }}
      onWrong={onWrong}
    >
      <p>{t('nothingIsWrong')}</p>
      {!page && <p className="second">{t('kitchenOffline')}</p>}
      {page && questions.length === 0 && <p className="second">{t('nothingAsked')}</p>}
      {shown.map((q) => (
        <fieldset key={q.id} className="card-paper">
          <legend className="larger fw-bold">{q.name}</legend>
          {q.tool && <p className="second m-0">{t('whatItShows')}</p>}
          <div className="choices">
            {choicesOf(q).map(([value, id]) => {
              const chosen = (q.tool ? answers.tools?.[q.id] : answers.things[q.id]) === value;
              return (
                <label key={value} className={`choice ${chosen ? 'chosen' : ''}`}>
                  <FormCheckInput
                    type="radio"
                    className="visually-hidden"
                    name={`kitchen-${q.id}`}
                    checked={chosen}
                    onChange={() => set(q, value)}
                  />
                  {id ? t(id) : value}
                </label>
              );
            })}
          </div>
          {q.label && answers.things[q.id] === 'have' && (
            <Strength
              q={q}
              value={answers.strengths?.[q.id]}
              onSay={(percent) =>
                setUnsent({ ...answers, strengths: { ...answers.strengths, [q.id]: percent } })
              }
            />
          )}
        </fieldset>
      ))}
      {unsent && !state.online && <p className="second">{t('keptHere')}</p>}
    </PhonePage>
  );
}

const choicesOf = (q: Question): [string, string | undefined][] =>
  q.tool
    ? [...(q.steps ?? []).map((s): [string, undefined] => [s, undefined]), ['none', 'weHaveNone']]
    : [
        ['have', 'weHaveIt'],
        ['get', 'weCanGetIt'],
        ['none', 'weHaveNone'],
      ];

/** What the label says. */
function Strength({
  q,
  value,
  onSay,
}: {
  q: Question;
  value: number | undefined;
  onSay: (percent: number) => void;
}) {
  const t = useWords();
  return (
    <div role="group" aria-label={t('whatTheLabelSays')} className="mt-2">
      <p className="m-0">{t('whatTheLabelSays')}</p>
      <div className="answers">
        {[4, 5, 6].map((p) => (
          <Button
            key={p}
            variant="outline-primary"
            aria-pressed={value === p}
            aria-label={`${q.name}: ${p} %`}
            onClick={() => onSay(p)}
          >
            {p} %
          </Button>
        ))}
      </div>
    </div>
  );
}
