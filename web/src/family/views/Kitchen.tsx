import { useEffect, useEffectEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { PhonePage } from '../parts/PhonePage';
import type { HomeState } from '../phone/useHome';
import { useWords } from '../words';
import { OurHours, OwnValues } from './OwnValues';

type Answers = Schemas['Fields'];
type Question = Schemas['Question'];

interface Props {
  state: HomeState;
  place: string;
  onGo: () => void;
  onWrong: () => void;
}

/** What this home has, asked kindly; nothing here is wrong. What is tapped is kept on the phone and sent when it can be. */
export function Kitchen({ state, place, onGo, onWrong }: Props) {
  const t = useWords();
  const [page, setPage] = useState<Schemas['Page']>();
  const [said, setSaid] = useState<Answers>(); // before it is kept
  const waiting = state.queue.find((w) => w.type === 'kitchen');
  const path = { params: { path: { home: state.home } } };
  const ask = useEffectEvent(() => got(api.GET('/api/v1/home/{home}/kitchen', path)));
  const recall = useEffectEvent(() => state.recall<Schemas['Page']>('kitchen/page'));
  const took = useEffectEvent((fresh: Schemas['Page']) => {
    setPage(fresh);
    void state.keep('kitchen/page', fresh);
  });
  const say = (answers: Answers) => {
    setSaid(answers);
    state.sayKitchen(answers).catch(() => undefined); // a phone that keeps nothing says so itself
  };
  const again = useEffectEvent(() => (said ? ask() : undefined)); // as it is worked with now
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
    if (!waiting) again()?.then(took, () => undefined); // else it is asked when the page opens
  }, [waiting]);
  const kept = waiting && (JSON.parse(waiting.body) as Answers);
  const answers = said ?? kept ?? page?.answers ?? { things: {} };
  const questions = page?.questions ?? [];
  const facts = page?.facts ?? []; // one kept by an older page has none
  const shown = questions.filter((q) => !q.for || answers.things[q.for] === 'none');
  const open = shown.filter((q) => !q.tool && !q.for && answers.things[q.id] === undefined);
  const haveAll = () => {
    const have = Object.fromEntries(open.map((q) => [q.id, 'have' as const]));
    say({ ...answers, things: { ...answers.things, ...have } });
  };
  const set = (q: Question, value: string) =>
    say(
      q.tool
        ? { ...answers, tools: { ...answers.tools, [q.id]: value } }
        : { ...answers, things: { ...answers.things, [q.id]: value } },
    );
  return (
    <PhonePage
      place={place}
      heading={t('yourKitchen')}
      focusKey="kitchen"
      state={state}
      action={{ words: t('enoughForNow'), do: onGo }}
      onWrong={onWrong}
    >
      <p>{t('nothingIsWrong')}</p>
      {!page && <p className="second">{t('kitchenOffline')}</p>}
      {page && questions.length === 0 && <p className="second">{t('nothingAsked')}</p>}
      {open.length > 1 && (
        <div className="card-paper">
          <p className="m-0">{open.map((q) => q.name).join(', ')}</p>
          <Button variant="outline-primary" className="w-100 mt-2" onClick={haveAll}>
            {t('weHaveAll', { count: open.length })}
          </Button>
          <p className="second m-0 mt-2">{t('orOneByOne')}</p>
        </div>
      )}
      {shown.map((q) => (
        <fieldset key={q.id} className="card-paper">
          <legend className="larger fw-bold">{q.name}</legend>
          {q.tool && <p className="second m-0">{t('whatItShows')}</p>}
          <Choices
            name={`kitchen-${q.id}`}
            all={choicesOf(q).map(([value, id]) => [value, id ? t(id) : value])}
            chosen={q.tool ? answers.tools?.[q.id] : answers.things[q.id]}
            onChoose={(value) => set(q, value)}
          />
          {q.label && answers.things[q.id] === 'have' && (
            <Strength
              q={q}
              value={answers.strengths?.[q.id]}
              onSay={(percent) => {
                const strengths = { ...answers.strengths };
                if (percent) strengths[q.id] = percent;
                else delete strengths[q.id];
                say({ ...answers, strengths });
              }}
            />
          )}
        </fieldset>
      ))}
      {page && <OwnValues rows={page.own ?? []} answers={answers} onSay={say} />}
      {facts.length > 0 && (
        <>
          <h2>{t('inOurHome')}</h2>
          <p className="second">{t('onlyTeacherSees')}</p>
        </>
      )}
      <Facts facts={facts} answers={answers} onSay={say} />
      {page && <OurHours answers={answers} onSay={say} />}
      {page && (
        <label className="row-48">
          <FormCheckInput
            checked={answers.otherwise ?? false}
            onChange={(e) => say({ ...answers, otherwise: e.target.checked })}
          />
          {t('ratherOtherwise')}
        </label>
      )}
      {waiting && !state.online && <p className="second">{t('keptHere')}</p>}
    </PhonePage>
  );
}

/** What is so in this home, yes or no; only the teacher sees it. */
function Facts({
  facts,
  answers,
  onSay,
}: {
  facts: Schemas['Page']['facts'];
  answers: Answers;
  onSay: (answers: Answers) => void;
}) {
  const t = useWords();
  return (
    <>
      {facts.map((f) => (
        <fieldset key={f.id} className="card-paper">
          <legend className="usual">{f.ask}</legend>
          <Choices
            name={`fact-${f.id}`}
            all={[
              ['no', t('no')],
              ['yes', t('yes')],
            ]}
            chosen={answers.facts?.[f.id]}
            onChoose={(value) => onSay({ ...answers, facts: { ...answers.facts, [f.id]: value } })}
          />
        </fieldset>
      ))}
    </>
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

/** One of some answers, each a card to tap. */
function Choices({
  name,
  all,
  chosen,
  onChoose,
}: {
  name: string;
  all: [value: string, words: string][];
  chosen: string | undefined;
  onChoose: (value: string) => void;
}) {
  return (
    <div className="choices">
      {all.map(([value, words]) => (
        <label key={value} className={`choice ${chosen === value ? 'chosen' : ''}`}>
          <FormCheckInput
            type="radio"
            className="visually-hidden"
            name={name}
            checked={chosen === value}
            onChange={() => onChoose(value)}
          />
          {words}
        </label>
      ))}
    </div>
  );
}

/** What the label says. */
function Strength({
  q,
  value,
  onSay,
}: {
  q: Question;
  value: number | undefined;
  onSay: (percent: number | undefined) => void;
}) {
  const t = useWords();
  const [typed, setTyped] = useState<string>();
  const said = (words: string) => {
    const percent = Number(words.replace(',', '.').replace('%', ''));
    if (percent > 0 && percent <= 100) onSay(percent);
  };
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
        <FormControl
          className="field-150"
          aria-label={`${q.name}: ${t('otherStrength')}`}
          placeholder={t('otherStrength')}
          inputMode="decimal"
          value={typed ?? (value && ![4, 5, 6].includes(value) ? value : '')}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={(e) => said(e.target.value)}
        />
        <Button
          variant="outline-primary"
          aria-pressed={value === undefined}
          onClick={() => (setTyped(undefined), onSay(undefined))}
        >
          {t('saysNothing')}
        </Button>
      </div>
      {value !== undefined && value > 10 && <p className="doubt">{t('tooStrong')}</p>}
    </div>
  );
}
