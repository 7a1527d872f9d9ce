import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { PartError } from '../parts/states';
import { AnswerPlot } from './AnswerPlot';
import { Blank, labelOf, spoken } from './Blank';
import { Keep } from './Keep';
import { useSettled } from '../../ui/useSettled';
import { Said, say } from '../words';

type Model = Schemas['ModelView'];
type Answer = Schemas['Answer'];
type Typed = Record<string, string>;
type Asked = Omit<Schemas['Asked'], 'typed'> & { typed: Typed };

const most = 4;
let sequence = 0;

/** Asks the model; an answer to an older question than the last is never shown, because each question is its own key. */
const answered = (model: string, asked: Asked) => ({
  queryKey: ['answer', model, asked],
  queryFn: async ({ signal }: { signal: AbortSignal }) => {
    const mine = ++sequence;
    const answer = await got(
      api.POST('/api/v1/models/{model}', {
        params: { path: { model } },
        body: { ...asked, sequence: mine },
        signal,
      }),
    );
    if (answer.sequence !== mine) throw new Error(say('question.an-answer-to-another-question'));
    return answer;
  },
  staleTime: Infinity,
});

/** One question: blanks, the answer as a sentence, drawn, with where its doubt comes from, and others beside it. What is typed is kept in the address. */
export function Question({ model }: { model: Model }) {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState<Typed>(() => fromAddress(model, params));
  const [whatIfs, setWhatIfs] = useState<Typed[]>(() =>
    params
      .getAll('if')
      .slice(0, most)
      .map((s) => fromAddress(model, new URLSearchParams(s))),
  );
  const [vary, setVary] = useState(params.get('along') ?? '');
  const [wanted, setWanted] = useState({ solve: '', wanted: '' });
  const [working, setWorking] = useState('');
  const [hidden, setHidden] = useState(false);
  const [keeping, setKeeping] = useState(false);
  const [copied, setCopied] = useState(false);
  // What may be left out and was, when the question was opened, is folded away.
  const [folded] = useState(() =>
    model.inputs
      .filter(
        (i) =>
          (i.default || i.optional) &&
          i.unit !== 'choice' &&
          !typed[i.name] &&
          !model.example[i.name],
      )
      .map((i) => i.name),
  );
  const untouched = Object.keys(typed).length === 0;
  const settled = useSettled({ typed, wanted, working });
  const blanks = Object.keys(settled.typed).length === 0 ? model.example : settled.typed;
  const recording = model.inputs.find((i) => i.unit === 'recording')?.name;
  const keepInAddress = useEffectEvent(() => {
    const next = new URLSearchParams({
      ask: model.id,
      ...settled.typed,
      ...(vary && { along: vary }),
    });
    if (recording) next.delete(recording); // a file has no place in an address
    whatIfs.forEach((w) => next.append('if', new URLSearchParams(w).toString()));
    setParams(next, { replace: true });
  });
  useEffect(() => keepInAddress(), [model.id, settled.typed, whatIfs, vary]);
  const empty = Object.keys(blanks).length === 0;
  const asked: Asked = {
    typed: blanks,
    vary,
    ...(settled.wanted.solve && settled.wanted),
    ...(settled.working && { working: settled.working }),
  };
  const answer = useQuery({
    ...answered(model.id, asked),
    placeholderData: keepPreviousData,
    enabled: !empty,
  });
  const others = useQueries({
    queries: whatIfs.map((w) => answered(model.id, { typed: w, vary })),
  });
  // The last answer stays, greyed, while something typed cannot be read.
  const [good, setGood] = useState<Answer>();
  if (answer.data?.shown && answer.data !== good) setGood(answer.data);
  // The first change goes into the example; the rest of it stays as it was.
  const type = (name: string, value: string) => {
    const { [name]: _, ...rest } = untouched ? model.example : typed;
    setTyped(value ? { ...rest, [name]: value } : rest);
  };
  const problem = answer.data?.problem;
  const place = problem?.input.replace(/\[\d+\]$/, '');
  const aboutOne = model.inputs.some((i) => i.name === place);
  const sentence = good?.sentence ?? '';
  const beside = () => {
    if (!problem && good && whatIfs.length < most) setWhatIfs([...whatIfs, blanks]);
  };
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const writing = (e.target as HTMLElement).closest('input, textarea, select');
      if (e.key === 'Enter' && e.ctrlKey) setKeeping(true);
      else if (!writing && !e.ctrlKey && !e.metaKey && e.key === 'w') beside();
      else if (!writing && !e.ctrlKey && !e.metaKey && /^[1-4]$/.test(e.key))
        document.getElementById(`what-if-${e.key}`)?.focus();
      else return;
      e.preventDefault();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  });
  const name = (input: string) => labelOf(model.inputs.find((i) => i.name === input)!);
  const blank = (i: Schemas['DescribedInput']) => (
    <Blank
      key={i.name}
      input={i}
      value={typed[i.name] ?? ''}
      example={model.example[i.name] ?? ''}
      untouched={untouched}
      onChange={(v) => type(i.name, v)}
      problem={place === i.name ? problem : undefined}
    />
  );
  const amounts = model.inputs.filter(
    (i) =>
      blanks[i.name] &&
      !['text', 'choice', 'flag', 'objects', 'symbols', 'recording'].includes(i.unit) &&
      !i.unit.startsWith('list of '),
  );
  const inverse = (model.inverse ?? []).filter((input) => good?.main !== input && blanks[input]);
  return (
    <>
      <section aria-labelledby="question" className="question">
        <h2 id="question">{model.title}</h2>
        {untouched && !empty && (
          <p className="hint">{say('question.worked-example-type-over-it')}</p>
        )}
        <div className="blanks">
          {model.inputs.filter((i) => !folded.includes(i.name)).map(blank)}
        </div>
        {folded.length > 0 && (
          <details className="more" open={folded.includes(place ?? '') || undefined}>
            <summary>
              <Said
                of={say('question.more-that-can-be-said', {
                  join: model.inputs
                    .filter((i) => folded.includes(i.name))
                    .map(labelOf)
                    .join(', '),
                })}
                with={[<span key="0" className="small" />]}
              />
            </summary>
            <div className="blanks">
              {model.inputs.filter((i) => folded.includes(i.name)).map(blank)}
            </div>
          </details>
        )}
        {problem && !aboutOne && <Notice live>{spoken(problem.message)}</Notice>}
        {answer.error && (
          <PartError
            what={say('question.the-answer')}
            error={answer.error}
            retry={() => void answer.refetch()}
          />
        )}
        {good?.shown && hidden && (
          <Notice kind="note">{say('question.the-answers-are-hidden-what-do')}</Notice>
        )}
        {good?.shown && !hidden && (
          <>
            <p className={`answer ${problem ? 'stale' : ''}`} role="status">
              {problem && <span className="small">{say('question.before-the-mistake')} </span>}
              {sentence}
            </p>
            {good.finding && (
              <Notice kind="note">
                {good.finding.words}
                {(good.finding.doubts ?? []).map((d) => (
                  <p key={d} className="w-mend mt-1 mb-0">
                    {d}
                  </p>
                ))}
                <p className="small hint mt-1 mb-0">
                  {say('question.means-something-when', { conditions: good.finding.conditions })}
                </p>
              </Notice>
            )}
            {good.curve && (
              <AnswerPlot
                curve={good.curve}
                caption={sentence}
                others={others.flatMap((o, n) =>
                  o.data?.curve ? [{ number: n + 1, curve: o.data.curve }] : [],
                )}
              />
            )}
            {amounts.length > 1 && good.curve && (
              <p className="along small">
                <label htmlFor="along">{say('question.draw-along')}</label>
                <FormSelect
                  id="along"
                  value={vary || good.curve.vary || ''}
                  onChange={(e) => setVary(e.target.value)}
                >
                  {!good.curve.vary && <option value="">{say('question.the-readings')}</option>}
                  {amounts.map((i) => (
                    <option key={i.name} value={i.name}>
                      {labelOf(i)}
                    </option>
                  ))}
                </FormSelect>
              </p>
            )}
            <div className="scroll">
              <Grid className={`answers ${problem ? 'stale' : ''}`}>
                <caption className="visually-hidden">{say('question.all-that-comes-out')}</caption>
                <tbody>
                  {model.outputs.map((o) => (
                    <tr key={o.name}>
                      <th scope="row">{model.words[o.name]}</th>
                      <td className="num">{good.shown?.[o.name]}</td>
                    </tr>
                  ))}
                </tbody>
              </Grid>
            </div>
            {(good.steps?.length ?? 0) > 0 && (
              <details className="working">
                <summary>{say('question.working-step-by-step-for-an')}</summary>
                <ol>
                  {good.steps!.map((s) => (
                    <li key={s}>{s}</li>
                  ))}
                </ol>
              </details>
            )}
            {model.id === 'formula' && (
              <div className="mt-0 mb-3">
                <label htmlFor="student-lines" className="named">
                  {say('question.a-students-own-lines')}
                </label>
                <FormControl
                  id="student-lines"
                  rows={2}
                  as="textarea"
                  value={working}
                  spellCheck={false}
                  placeholder="(57.3 g − 50.2 g) / 50.2 g × 100 = 14.1"
                  onChange={(e) => setWorking(e.target.value)}
                />
                {answer.data?.student && (
                  <p role="status" className={answer.data.student.right ? 'w-fine' : 'w-mend'}>
                    {answer.data.student.words}
                  </p>
                )}
              </div>
            )}
          </>
        )}
        {good?.notes && (
          <Notice kind="note">
            <strong>{say('question.holds-when')}</strong> {good.notes[0]} <br />
            <strong>{say('question.usual-slip')}</strong> {good.notes[1]} <br />
            <strong>{say('question.law')}</strong> {model.source}
          </Notice>
        )}
        <p className="hint small">{say('question.kept-in-the-address-send-the')}</p>
      </section>
      <aside className="bench-side" aria-label={say('question.beside-the-answer')}>
        {keeping && (
          <Keep
            model={model.id}
            typed={blanks}
            sentence={sentence}
            onClose={() => setKeeping(false)}
          />
        )}
        <section aria-labelledby="what-ifs">
          <h3 id="what-ifs">{say('question.what-if')}</h3>
          <ol className="plain-list">
            {whatIfs.map((w, n) => (
              <li
                key={new URLSearchParams(w).toString()}
                id={`what-if-${n + 1}`}
                tabIndex={-1}
                className="what-if"
              >
                <strong>{say('question.what-if-2', { value: n + 1 })}</strong>{' '}
                <span className="small">{difference(model, w, blanks)}</span>
                <br />
                {hidden
                  ? ''
                  : (others[n]?.data?.sentence ??
                    (others[n]?.error ? say('question.could-not-be-answered') : ''))}
                <br />
                <Button
                  variant="plain"
                  onClick={() => setWhatIfs(whatIfs.filter((_, i) => i !== n))}
                >
                  <Said
                    of={say('question.remove-what-if', { value: n + 1 })}
                    with={[<span key="0" className="visually-hidden" />]}
                  />
                </Button>
              </li>
            ))}
          </ol>
          <Button
            variant="outline-primary"
            disabled={!!problem || !good || whatIfs.length >= most}
            onClick={beside}
          >
            {say('question.keep-beside-and-change-something')}
          </Button>
          {whatIfs.length >= most && (
            <p className="hint small">{say('question.four-are-beside-each-other-remove')}</p>
          )}
        </section>
        {good?.shown && !hidden && inverse.length > 0 && good.main && (
          <section aria-labelledby="turn-round">
            <h3 id="turn-round">{say('question.the-other-way-round')}</h3>
            <label htmlFor="wanted" className="small">
              {say('question.wanted', { value: model.words[good.main] })}
            </label>
            <FormControl
              id="wanted"
              value={wanted.wanted}
              placeholder={good.main_text}
              autoComplete="off"
              onChange={(e) =>
                setWanted({ solve: wanted.solve || inverse[0], wanted: e.target.value })
              }
            />
            <label htmlFor="solve" className="small">
              {say('question.by-changing')}
            </label>
            <FormSelect
              id="solve"
              value={wanted.solve || inverse[0]}
              onChange={(e) => setWanted({ ...wanted, solve: e.target.value })}
            >
              {inverse.map((input) => (
                <option key={input} value={input}>
                  {name(input)}
                </option>
              ))}
            </FormSelect>
            {wanted.wanted && answer.data?.solved && (
              <p role="status" className="mt-2 mb-0">
                {answer.data.solved.problem ? (
                  <span className="w-mend">
                    {name(answer.data.solved.input)}: {spoken(answer.data.solved.problem.message)}
                  </span>
                ) : (
                  <>
                    {name(answer.data.solved.input)} {answer.data.solved.typed}{' '}
                    <Button
                      variant="plain"
                      onClick={() => type(answer.data.solved!.input, answer.data.solved!.typed!)}
                    >
                      {say('question.take-it')}
                    </Button>
                  </>
                )}
              </p>
            )}
          </section>
        )}
        {good?.doubts && good.doubts.length > 0 && !hidden && (
          <section aria-labelledby="doubts">
            <h3 id="doubts">{say('question.most-of-the-doubt')}</h3>
            <ul className="plain-list doubts">
              {good.doubts
                .filter((d) => d.share >= 0.005)
                .map((d) => (
                  <li key={d.input}>
                    <span>{name(d.input)}</span>
                    <span className="bar" aria-hidden="true">
                      <span style={{ width: `${100 * d.share}%` }} />
                    </span>
                    <span className="num">{Math.round(100 * d.share)} %</span>
                  </li>
                ))}
            </ul>
            <p className="small m-0">
              {say('question.read-ten-times-finer-give-or', {
                name: name(good.doubts[0].input),
                finer: good.finer,
                give: good.give,
              })}
            </p>
          </section>
        )}
        <section className="ways-out">
          {good?.main && (
            <Button onClick={() => setKeeping(true)} disabled={!!problem}>
              {say('question.put-into-a-design')}
            </Button>
          )}
          <Button
            variant="outline-primary"
            disabled={!good}
            onClick={() =>
              void navigator.clipboard
                ?.writeText(
                  [model.title, sentence, ...(good?.steps ?? []), location.href].join('\n'),
                )
                .then(
                  () => setCopied(true),
                  () => undefined,
                )
            }
          >
            {say('question.copy')}
          </Button>
          <Button variant="outline-primary" onClick={() => print()}>
            {say('codes.print')}
          </Button>
          {copied && (
            <span role="status" className="small">
              {say('question.copied')}
            </span>
          )}
          <FormCheck
            id="hide-answers"
            checked={hidden}
            onChange={(e) => setHidden(e.target.checked)}
            label={say('question.hide-answers-for-a-shared-screen')}
          />
        </section>
      </aside>
    </>
  );
}

function fromAddress(model: Model, params: URLSearchParams): Typed {
  return Object.fromEntries(
    model.inputs.flatMap((i) => (params.get(i.name) ? [[i.name, params.get(i.name) ?? '']] : [])),
  );
}

/** What another question has otherwise than the present one. */
function difference(model: Model, then: Typed, now: Typed): string {
  const parts = model.inputs
    .filter((i) => (then[i.name] ?? '') !== (now[i.name] ?? ''))
    .map((i) => `${labelOf(i)} ${then[i.name] || (i.default ?? say('question.left-out'))}`);
  return parts.join(', ') || say('question.the-same');
}
