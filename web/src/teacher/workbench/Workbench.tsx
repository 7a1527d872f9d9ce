import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { Loading, PartError } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { Blank, spoken } from './Blank';

type Model = Schemas['ModelView'];
type Answer = Schemas['Answer'];
type Typed = Record<string, string>;

const groups = [
  ['see', 'Would we see it?'],
  ['much', 'How much do I need?'],
  ['fast', 'How fast?'],
  ['size', 'What tone, what size?'],
  ['sure', 'How sure?'],
  ['read', 'How is it read?'],
] as const;

/** One question to the science core at a time; which one and what was typed is kept in the address. */
export default function Workbench() {
  const models = useQuery({ queryKey: ['models'], queryFn: () => ask<Schemas['ListModelView']>('GET', '/models'), staleTime: Infinity });
  const [params] = useSearchParams();
  const [find, setFind] = useState('');
  const finder = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== '/' || (e.target as HTMLElement).closest('input, textarea, select')) return;
      e.preventDefault();
      finder.current?.focus();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
  const all = models.data?.items.filter((m) => m.typed) ?? [];
  const asked = all.find((m) => m.id === params.get('ask'));
  const found = all.filter((m) => m.title.toLowerCase().includes(find.trim().toLowerCase()));
  return (
    <>
      <Head
        title="Workbench"
        aside={
          <label className="small bench-find">
            Find a question
            <input id="find-question" ref={finder} type="search" className="form-control" value={find} onChange={(e) => setFind(e.target.value)} />
          </label>
        }
      />
      <main className="work bench">
        {models.isPending && <Loading what="the questions" />}
        {models.error && <PartError what="The questions" error={models.error} retry={() => void models.refetch()} />}
        {models.data && (
          <>
            <nav className="questions" aria-label="Questions">
              {groups.map(([group, words]) => {
                const some = found.filter((m) => m.group === group);
                if (some.length === 0) return null;
                return (
                  <section key={group}>
                    <h2>{words}</h2>
                    <ul className="plain-list">
                      {some.map((m) => (
                        <li key={m.id}>
                          <Link to={`?ask=${m.id}`} aria-current={m === asked ? 'true' : undefined} ref={m === asked ? intoSight : undefined}>
                            {m.title}
                          </Link>
                        </li>
                      ))}
                    </ul>
                  </section>
                );
              })}
              {found.length === 0 && <p className="hint">No question has these words. Try one word of it, such as “tone”.</p>}
            </nav>
            {asked ? <Question key={asked.id} model={asked} /> : <NoQuestion unknown={params.get('ask')} />}
          </>
        )}
      </main>
    </>
  );
}

const intoSight = (e: HTMLElement | null) => e?.scrollIntoView({ block: 'nearest' });

function NoQuestion({ unknown }: { unknown: string | null }) {
  return (
    <section>
      {unknown && <p className="notice">There is no question by this address. Choose one on the left.</p>}
      <p className="lead-sentence">What do you want to find out?</p>
      <p className="second">Choose a question. Amounts are typed as at the kitchen table, such as 2 3/4 tsp or 60 mL, and every answer says when it holds.</p>
    </section>
  );
}

function Question({ model }: { model: Model }) {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState<Typed>(() => Object.fromEntries(model.inputs.flatMap((i) => (params.get(i.name) ? [[i.name, params.get(i.name) ?? '']] : []))));
  const untouched = Object.keys(typed).length === 0;
  const settled = useSettled(typed);
  const blanks = Object.keys(settled).length === 0 ? model.example : settled;
  useEffect(() => {
    setParams({ ask: model.id, ...settled }, { replace: true });
  }, [model.id, settled]); // eslint-disable-line react-hooks/exhaustive-deps
  const answer = useQuery({
    queryKey: ['answer', model.id, blanks],
    queryFn: ({ signal }) => ask<Answer>('POST', `/models/${model.id}`, { body: { typed: blanks }, signal }),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  // The last answer stays, greyed, while something typed cannot be read.
  const [good, setGood] = useState<Answer>();
  const [kept, setKept] = useState<{ typed: Typed; shown: Record<string, string> }[]>([]);
  useEffect(() => {
    if (answer.data?.shown) setGood(answer.data);
  }, [answer.data]);
  // The first change goes into the example; the rest of it stays as it was.
  const type = (name: string, value: string) => {
    const { [name]: _, ...others } = untouched ? model.example : typed;
    setTyped(value ? { ...others, [name]: value } : others);
  };
  const problem = answer.data?.problem;
  const place = problem?.input.replace(/\[\d+\]$/, '');
  const aboutOne = model.inputs.some((i) => i.name === place);
  return (
    <section aria-labelledby="question">
      <h2 id="question">{model.title}</h2>
      {untouched && <p className="hint">Worked example. Type over it.</p>}
      <div className="blanks">
        {model.inputs.map((i) => (
          <Blank key={i.name} input={i} value={typed[i.name] ?? ''} example={model.example[i.name] ?? ''} untouched={untouched} onChange={(v) => type(i.name, v)} problem={place === i.name ? problem : undefined} />
        ))}
      </div>
      {problem && !aboutOne && (
        <p className="notice" role="alert">
          {spoken(problem.message)}
        </p>
      )}
      {answer.error && <PartError what="The answer" error={answer.error} retry={() => void answer.refetch()} />}
      {good?.shown && (
        <>
          <div className="scroll">
            <table className={`grid answers ${problem ? 'stale' : ''}`} role="table">
              <caption className="visually-hidden">Answers</caption>
              <thead>
                <tr>
                  <th scope="col">Answer</th>
                  <th scope="col" className="num">
                    {problem ? 'Before the mistake' : 'Now'}
                  </th>
                  {kept.map((k, n) => (
                    <th key={n} scope="col" className="num">
                      What if {n + 1}
                      <br />
                      <span className="what-if">{difference(model, k.typed, blanks)}</span>
                      <br />
                      <button type="button" className="btn-plain" onClick={() => setKept(kept.filter((_, i) => i !== n))}>
                        Remove<span className="visually-hidden"> what if {n + 1}</span>
                      </button>
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {model.outputs.map((o) => (
                  <tr key={o.name}>
                    <th scope="row">{model.words[o.name]}</th>
                    <td className="num">{good.shown?.[o.name]}</td>
                    {kept.map((k, n) => (
                      <td key={n} className="num">
                        {k.shown[o.name]}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="visually-hidden" role="status">
            {problem ? '' : model.outputs.map((o) => `${model.words[o.name]} ${good.shown?.[o.name]}`).join(', ')}
          </p>
          <p style={{ marginTop: 10 }}>
            <button type="button" className="btn btn-outline-primary" disabled={!!problem || kept.length >= 4} onClick={() => setKept([...kept, { typed: blanks, shown: good.shown ?? {} }])}>
              Keep beside, and change something
            </button>{' '}
            {kept.length >= 4 && <span className="hint">Four are beside each other; remove one first.</span>}
          </p>
          {good.notes?.map((n) => (
            <p key={n} className="notice plain">
              <strong>Holds when:</strong> {n}
            </p>
          ))}
        </>
      )}
      <p className="hint small">Kept in the address: send the link to share it. Give or take is said where the question asks for it.</p>
    </section>
  );
}

/** What an earlier question had otherwise than the present one. */
function difference(model: Model, then: Typed, now: Typed): string {
  const parts = model.inputs.filter((i) => (then[i.name] ?? '') !== (now[i.name] ?? '')).map((i) => `${spoken(i.name)} ${then[i.name] || (i.default ?? 'left out')}`);
  return parts.join(', ') || 'the same';
}

/** A value once it has not changed for a moment, so that not every keystroke is a request. */
function useSettled<T>(value: T): T {
  const key = JSON.stringify(value);
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(JSON.parse(key) as T), 120);
    return () => clearTimeout(timer);
  }, [key]);
  return settled;
}
