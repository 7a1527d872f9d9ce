import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { time } from '../parts/dates';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { EvidencePieces } from './EvidenceWall';
import { laneName, partWords } from './slotWords';
import { AtDesk, useDesk, type Notebook } from './AtDesk';
import { guardWords, isGuard, stateWords, type Assignment, type Results } from './useResults';
import { Said, because, say, type Key } from '../words';
import { failed } from '../parts/failed';

type Line = Schemas['NotebookLine'];

/** A home's notebook: its result, and every entry with corrections, spoiled tries and both times. */
export function NotebookSheet({
  assignment,
  home,
  results,
}: {
  assignment: Assignment;
  home: string;
  results: Results;
}) {
  const of = { class: assignment.class, assignment: assignment.id, home };
  const notebook = useQuery({
    queryKey: ['results', assignment.class, 'notebook', assignment.id, home],
    queryFn: () =>
      got(
        api.GET('/api/v1/classes/{class}/assignments/{assignment}/notebooks/{home}', {
          params: { path: of },
        }),
      ),
  });
  if (notebook.isPending) return <Loading what={say('notebookSheet.the-notebook')} />;
  if (failed(notebook))
    return (
      <PartError
        what={say('notebookSheet.the-notebook-2')}
        error={notebook.error}
        retry={() => void notebook.refetch()}
      />
    );
  const { result, lines, held } = notebook.data;
  return (
    <>
      <p className="second mt-0">
        {stateWords[result.state]}
        {result.sent_at && ` ${time(result.sent_at)}`}
        {result.late && say('notebookSheet.some-came-late')}
      </p>
      {held.map((step) => (
        <Held key={step.id} step={step} of={of} />
      ))}
      {results.derived.map((d) => (
        <div key={d.id} className="mb-2">
          <h3>{d.name}</h3>
          <Grid dense>
            <tbody>
              {result.results
                .filter((r) => r.derived === d.id)
                .map((r) => (
                  <tr key={r.condition ?? ''}>
                    <th scope="row" className="fw-normal">
                      {laneName(results, r.condition ?? '') || say('notebookSheet.all')}
                    </th>
                    <td className="num">
                      {r.text || <span className="cell-missing">{r.missing}</span>}
                    </td>
                  </tr>
                ))}
            </tbody>
          </Grid>
        </div>
      ))}
      {result.shown.map((s) => (
        <div key={s.evidence} className="mb-2">
          <h3>{s.name}</h3>
          <EvidencePieces assignment={assignment} shown={s} nickname={result.nickname} />
        </div>
      ))}
      <h3>{say('notebookSheet.every-entry')}</h3>
      {lines.length === 0 && <p className="hint">{say('notebookSheet.nothing-was-entered-yet')}</p>}
      <ul className="plain-list small">
        {lines.map((l) => (
          <li key={l.id} className="ruled">
            <span className="second">{time(l.measured_at)}</span>{' '}
            {entryWords(l, results, result.things)}
            {new Date(l.received_at).getTime() - new Date(l.measured_at).getTime() > 120_000 && (
              <span className="second">
                {' '}
                {say('notebookSheet.received', { time: time(l.received_at) })}
              </span>
            )}
            {l.late && <span className="second"> {say('notebookSheet.after-the-due-time')}</span>}
            {l.clock_jump && (
              <span className="second"> {say('notebookSheet.the-phones-clock-was-ahead')}</span>
            )}
            {l.entry.kind === 'reading' && l.fate === 'counts' && (
              <AtDesk
                of={of}
                reading={l.id}
                name={l.entry.typed || l.echo || ''}
                asked={results.readings.find((x) => x.id === l.entry.reading)}
              />
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

const waits: Record<Schemas['HeldStep']['why'], string> = {
  'adult-not-said': say('notebookSheet.needs-an-adult-and-none-had'),
  'fact-not-said': say('notebookSheet.asks-something-about-the-home-first'),
  'not-here': say('notebookSheet.is-not-for-this-home-by'),
  'not-agreed': say('notebookSheet.was-not-agreed-to'),
};

/** A step worked at before what it waits for was said: it counts once the teacher says why. */
function Held({ step, of }: { step: Schemas['HeldStep']; of: Notebook }) {
  const { register, handleSubmit } = useForm({ defaultValues: { reason: '' } });
  const [error, setError] = useState<unknown>();
  const write = useDesk(of);
  const keep = handleSubmit(async ({ reason }) => {
    setError(undefined);
    try {
      await write({ kind: 'vouched', step: step.id, reason });
    } catch (problem) {
      setError(problem);
    }
  });
  const id = `vouch-${step.id}`;
  return (
    <Notice>
      <form onSubmit={(e) => void keep(e)}>
        <p className="m-0">
          <Said
            of={say('notebookSheet.not-counted-step-what-was-entered', {
              value: guardWords[step.why],
              number: step.number,
              title: step.title,
              value2: waits[step.why],
            })}
            with={[<strong key="0" />]}
          />
        </p>
        <label className="named" htmlFor={id}>
          {say('notebookSheet.does-it-count-say-why-it')}
        </label>
        <FormControl
          id={id}
          maxLength={400}
          {...register('reason')}
          placeholder={say('notebookSheet.grandma-told-me-on-the-phone')}
        />
        <ProblemLine error={error} />
        <Button type="submit" variant="outline-primary" className="mt-2">
          {say('notebookSheet.let-it-count')}
        </Button>
      </form>
    </Notice>
  );
}

function entryWords(l: Line, results: Results, things: Record<string, string> | undefined) {
  const e = l.entry;
  const { readings } = results;
  const slot = [
    readings.length > 1 && readings.find((x) => x.id === e.reading)?.name,
    ...partWords(results, e, things),
  ]
    .filter(Boolean)
    .join(', ');
  switch (e.kind) {
    case 'reading':
      return (
        <>
          {l.provenance === 'desk' && say('notebookSheet.you-put-in-its-place')}
          {slot}:{' '}
          <span
            className={
              l.fate === 'spoiled' ||
              l.fate === 'corrected' ||
              l.fate === 'superseded' ||
              l.fate === 'set-aside' ||
              isGuard(l.fate)
                ? 'cell-spoiled'
                : ''
            }
          >
            {e.typed || l.echo}
          </span>
          {e.typed && l.echo && l.echo.replace('\u00a0', ' ') !== e.typed && ` = ${l.echo}`}
          {l.assumed && say('notebookSheet.unit-from-the-field')}
          {l.fate && l.fate !== 'counts' && (
            <em className="second upright">
              {' '}
              {say(`fate.${l.fate}` as Key)}
              {l.fate_reason && `: ${because(l.fate_reason)}`}
            </em>
          )}
          {l.messages?.map((m) => (
            <span key={m} className="w-mend fw-normal">
              {' '}
              {m}
            </span>
          ))}
        </>
      );
    case 'not-read':
      return say('notebookSheet.not-read', { slot, reason: because(e.reason) });
    case 'spoiled':
      return say('notebookSheet.spoiled-a-try', { reason: because(e.reason) });
    case 'answer':
      return `${l.asked}: ${[l.said, e.text && say('quoted', { text: e.text })].filter(Boolean).join(' ')}${l.after_start ? say('notebookSheet.after-the-start-so-it-counts') : ''}${l.messages ? ` · ${l.messages.join(' ')}` : ''}`;
    case 'observation':
      if (e.value?.strokes) return say('notebookSheet.drew');
      if (e.value?.chart)
        return e.value.chart.map((x) => [x.where, x.change].filter(Boolean).join(': ')).join(' → ');
      return say('quoted', { text: e.text });
    case 'named':
      return say('notebookSheet.chose', {
        what: results.objects.find((o) => o.id === e.refers)?.name ?? e.refers,
        name: e.text,
      });
    case 'swap':
      return say('notebookSheet.uses', { thing: l.said, was: l.asked });
    case 'used':
      return say('notebookSheet.used', { what: l.asked, amount: e.typed });
    case 'step-done':
      return say('notebookSheet.finished', { step: l.step_title ?? e.step });
    case 'photo':
      return say('notebookSheet.sent-a-photo');
    case 'recording':
      return say('notebookSheet.sent-a-recording');
    case 'tick':
      return e.reason === 'no'
        ? say('notebookSheet.took-the-tick-off', { refers: e.refers })
        : say('notebookSheet.ticked', { refers: e.refers });
    case 'adult':
      return say('notebookSheet.an-adult-is-there', { step: l.step_title ?? e.step });
    case 'set-aside':
      return say('notebookSheet.you-set-a-reading-aside', { reason: e.reason });
    case 'asked':
      return say('notebookSheet.you-asked', { text: e.text });
    case 'vouched':
      return say('notebookSheet.you-let-count', { step: l.step_title ?? e.step, reason: e.reason });
    case 'sent':
      return say('notebookSheet.sent-the-work');
    default:
      return e.kind;
  }
}
