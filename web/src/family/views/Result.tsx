import { useEffect, useEffectEvent, useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api, got, ProblemError, type Schemas } from '../../api/client';
import { NotAtHome } from '../parts/NotAtHome';
import { PhonePage } from '../parts/PhonePage';
import { SharedReadings } from '../parts/SharedReadings';
import { useWords } from '../words';
import { AskedQuestion } from './AskedQuestion';
import { said } from './Questions';
import { useTyping } from '../phone/typing';
import type { WorkProps } from '../phone/work';

type Own = Schemas['OwnResult'];

/** The home's own result, worked out on the server; kept for reading again without a connection. */
export function useOwnResult({ state, sheet }: WorkProps) {
  const [own, setOwn] = useState<Own>();
  const [problem, setProblem] = useState<'offline' | 'fault'>();
  const waiting = state.queue.filter((w) => !w.problem).length;
  const done = waiting === 0;
  const key = `result/${sheet.assignment}`;
  const ask = useEffectEvent(() =>
    got(
      api.GET('/api/v1/home/{home}/assignments/{assignment}/result', {
        params: { path: { home: state.home, assignment: sheet.assignment } },
      }),
    ),
  );
  const took = useEffectEvent((fresh: Own) => {
    setOwn(fresh);
    setProblem(undefined);
    void state.keep(key, fresh);
  });
  const failed = useEffectEvent((error: unknown) => {
    setProblem(error instanceof ProblemError && error.offline ? 'offline' : 'fault');
    return state.recall<Own>(key);
  });
  useEffect(() => {
    let live = true;
    ask().then(
      (fresh) => live && took(fresh),
      (error) => live && void failed(error).then((kept) => live && kept && setOwn(kept)),
    );
    return () => {
      live = false;
    };
  }, [done, state.online]);
  return { own, problem };
}

export function ResultTable({
  sheet,
  own,
  shared,
}: {
  sheet: WorkProps['sheet'];
  own: Own;
  shared?: boolean;
}) {
  const t = useWords();
  // What a home has once, whatever the conditions, stands on a card of its own.
  const has = (id: string) => own.results.some((r) => (r.condition ?? '') === id);
  const lanes = [
    ...sheet.conditions,
    ...(sheet.stages ?? []).map((s) => ({ id: s.id, name: s.word })),
  ];
  const conditions = [{ id: '', name: '' }, ...lanes].filter((c) => has(c.id));
  const [open, setOpen] = useState<string>();
  return (
    <div className={`card-paper ${shared ? 'shared' : ''}`}>
      {shared && (
        <p>
          <strong>{t('shared')}.</strong> {t('sharedNote')}
        </p>
      )}
      {conditions.map((c) => (
        <div key={c.id} className="outcome">
          {c.name && <h2>{c.name}</h2>}
          <dl>
            {own.results
              .filter((r) => (r.condition ?? '') === c.id)
              .map((r) => (
                <div key={r.derived}>
                  <dt>{own.derived.find((d) => d.id === r.derived)?.name}</dt>
                  <dd>{r.text || '–'}</dd>
                  {r.ok && <Bar of={r} all={own.results.filter((x) => x.derived === r.derived)} />}
                </div>
              ))}
          </dl>
        </div>
      ))}
      {own.results.some((r) => r.text?.includes('±')) && (
        <p className="hint my-2">{t('giveTake')}</p>
      )}
      <Button
        variant="plain"
        aria-expanded={open === 'working'}
        onClick={() => setOpen(open ? undefined : 'working')}
      >
        {t('working')}
      </Button>
      {open &&
        own.results.map((r) => {
          const name = [
            own.derived.find((d) => d.id === r.derived)?.name,
            lanes.find((c) => c.id === r.condition)?.name,
          ]
            .filter(Boolean)
            .join(', ');
          return (
            <p key={`${r.derived}/${r.condition}`} className="working">
              {name}:<br />
              {r.ok ? [r.working, r.text].filter(Boolean).join(' = ') : r.missing}
            </p>
          );
        })}
    </div>
  );
}

/**
 * How much it is beside the others, on a jug's axis: filled up to the value, thin where it
 * may as well be. None where there is one value, or some are below zero.
 */
function Bar({ of, all }: { of: Own['results'][number]; all: Own['results'] }) {
  const known = all.filter((r) => r.ok);
  const values = known.map((r) => r.value ?? 0);
  const end = Math.max(...known.map((r) => (r.value ?? 0) + 2 * (r.u ?? 0)));
  if (known.length < 2 || end <= 0 || Math.min(...values) < 0) return null;
  const x = (v: number) => (100 * Math.max(0, v)) / end;
  const [value, u] = [of.value ?? 0, of.u ?? 0];
  return (
    <svg className="outcome-bar" viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
      <path d="M0 11 H100" stroke="var(--edge)" vectorEffect="non-scaling-stroke" />
      {[0, 25, 50, 75, 100].map((at, i) => (
        <path
          key={at}
          d={`M${at} 11 V${i % 2 ? 8 : 6}`}
          stroke="var(--edge)"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <rect x="0" y="1" width={x(value)} height="5" fill="var(--samphire)" />
      <path
        d={`M${x(value - 2 * u)} 3.5 H${x(value + 2 * u)}`}
        stroke="var(--ink)"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

/** What came out for us, how sure is it, did what I said hold? */
export function Result(props: WorkProps & { onGo: () => void }) {
  const { state, sheet, book, onWrong, onGo } = props;
  const t = useWords();
  const { own, problem } = useOwnResult(props);
  const prediction = sheet.questions
    .filter((q) => q.when === 'before' && book.answer(q.id))
    .map((q) => said(t, q, book.answer(q.id)!.entry));
  return (
    <PhonePage
      place={sheet.title}
      heading={t('result')}
      focusKey="result"
      state={state}
      action={{ words: t('nextMeaning'), do: onGo }}
      onWrong={onWrong}
    >
      {problem && (
        <p className="doubt">{t(problem === 'offline' ? 'resultOffline' : 'loadingFault')}</p>
      )}
      {own && <ResultTable sheet={sheet} own={own} shared={own.shared} />}
      <SharedReadings sheet={sheet} />
      {own?.sentences.map((s) => (
        <p key={s}>{s}</p>
      ))}
      {prediction.length > 0 && (
        <p className="card-paper">{t('youSaid', { said: prediction.join(' · ') })}</p>
      )}
    </PhonePage>
  );
}

/** What it means, in words of their own; then the home's work is handed in. */
export function Conclusion({ onGo, ...props }: WorkProps & { onGo: () => void }) {
  const { state, sheet, onWrong } = props;
  const t = useWords();
  const questions = sheet.questions.filter((q) => q.when === 'after');
  const [typing, keepTyped] = useTyping();
  const send = async () => {
    await keepTyped();
    if (!props.book.sent()) await state.add(sheet.assignment, { kind: 'sent' });
    onGo();
  };
  return (
    <PhonePage
      place={sheet.title}
      heading={t('conclusion')}
      focusKey="conclusion"
      state={state}
      action={{ words: t('sendIt'), do: () => void send() }}
      onWrong={onWrong}
    >
      <NotAtHome sheet={sheet} />
      {questions.map((q) => (
        <AskedQuestion key={q.id} {...props} question={q} typing={typing} />
      ))}
      <Model sheet={sheet} />
      <p className="hint">{t('needNotKnow')}</p>
    </PhonePage>
  );
}

/** Where the set-up is a model: what its things stand for, and what it gets wrong. */
function Model({ sheet }: Pick<WorkProps, 'sheet'>) {
  const t = useWords();
  const { stands_for: pairs = [], limits = [] } = sheet;
  if (pairs.length + limits.length === 0) return null;
  return (
    <section className="card-paper">
      {pairs.length > 0 && <h2>{t('standsFor')}</h2>}
      <dl>
        {pairs.map((p) => (
          <div key={p.thing}>
            <dt>{p.thing}</dt>
            <dd>{p.means}</dd>
          </div>
        ))}
      </dl>
      {limits.length > 0 && <h2>{t('modelLimits')}</h2>}
      <ul className="plain-ways">
        {limits.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
    </section>
  );
}
