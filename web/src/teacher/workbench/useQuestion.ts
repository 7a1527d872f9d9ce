import { keepPreviousData, useQueries, useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, got, type Schemas } from '../../api/client';
import { useSettled } from '../../ui/useSettled';
import { say } from '../words';

export type Model = Schemas['ModelView'];
type Answer = Schemas['Answer'];
export type Typed = Record<string, string>;
type Asked = Omit<Schemas['Asked'], 'typed'> & { typed: Typed };

/** How many what-ifs stand beside a question. */
export const most = 4;
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

/** A question with its blanks, its answer and what is asked beside it. What is typed is kept in the address. */
export function useQuestion(model: Model) {
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
  const amounts = model.inputs.filter(
    (i) =>
      blanks[i.name] &&
      !['text', 'choice', 'flag', 'objects', 'symbols', 'recording'].includes(i.unit) &&
      !i.unit.startsWith('list of '),
  );
  const inverse = (model.inverse ?? []).filter((input) => good?.main !== input && blanks[input]);
  return {
    model,
    typed,
    blanks,
    untouched,
    folded,
    type,
    answer,
    good,
    problem,
    place,
    aboutOne,
    sentence,
    vary,
    setVary,
    amounts,
    inverse,
    wanted,
    setWanted,
    working,
    setWorking,
    whatIfs,
    setWhatIfs,
    others,
    beside,
  };
}
export type Questioned = ReturnType<typeof useQuestion>;

function fromAddress(model: Model, params: URLSearchParams): Typed {
  return Object.fromEntries(
    model.inputs.flatMap((i) => (params.get(i.name) ? [[i.name, params.get(i.name) ?? '']] : [])),
  );
}
