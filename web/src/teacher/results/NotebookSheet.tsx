import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { ask, type Schemas } from '../../api/client';
import { Loading, PartError, ProblemLine, time } from '../frame/parts';
import { AtDesk, useDesk } from './AtDesk';
import { guardWords, isGuard, stateWords, type Assignment, type Results } from './useResults';

type Line = Schemas['NotebookLine'];

/** A home's notebook: its result, and every entry with corrections, spoiled tries and both times. */
export function NotebookSheet({ assignment, home, results }: { assignment: Assignment; home: string; results: Results }) {
  const notebook = useQuery({ queryKey: ['results', assignment.class, 'notebook', assignment.id, home], queryFn: () => ask<Schemas['NotebookView']>('GET', `/classes/${assignment.class}/assignments/${assignment.id}/notebooks/${home}`) });
  if (notebook.isPending) return <Loading what="the notebook" />;
  if (notebook.error) return <PartError what="The notebook" error={notebook.error} retry={() => void notebook.refetch()} />;
  const { result, lines, held } = notebook.data;
  const desk = `/classes/${assignment.class}/assignments/${assignment.id}/notebooks/${home}/desk`;
  const conditionName = (id?: string) => results.conditions.find((c) => c.id === id)?.name ?? '';
  return (
    <>
      <p className="second" style={{ marginTop: 0 }}>
        {stateWords[result.state]}
        {result.sent_at && ` ${time(result.sent_at)}`}
        {result.late && ' · some came late'}
      </p>
      {held.map((step) => (
        <Held key={step.id} step={step} path={desk} />
      ))}
      {results.derived.map((d) => (
        <div key={d.id} style={{ marginBottom: 8 }}>
          <h3>{d.name}</h3>
          <table className="grid dense">
            <tbody>
              {result.results.filter((r) => r.derived === d.id).map((r) => (
                <tr key={r.condition ?? ''}>
                  <th scope="row" style={{ fontWeight: 400 }}>{conditionName(r.condition) || 'all'}</th>
                  <td className="num">{r.text || <span className="cell-missing">{r.missing}</span>}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      ))}
      {result.photos.length > 0 && (
        <div className="photo-wall" style={{ margin: '8px 0' }}>
          {result.photos.map((p) => (
            <a key={p} href={`/api/v1/classes/${assignment.class}/photos/${p}/display`} target="_blank" rel="noreferrer">
              <img src={`/api/v1/classes/${assignment.class}/photos/${p}/thumbnail`} alt={`Photo from ${result.nickname}`} style={{ width: 150, border: '1px solid var(--rule)', borderRadius: 4 }} />
            </a>
          ))}
        </div>
      )}
      <h3>Every entry</h3>
      {lines.length === 0 && <p className="hint">Nothing was entered yet.</p>}
      <ul className="plain-list small">
        {lines.map((l) => (
          <li key={l.id} style={{ borderBottom: '1px solid var(--rule)', padding: '3px 0' }}>
            <span className="second">{time(l.measured_at)}</span> {entryWords(l, conditionName)}
            {new Date(l.received_at).getTime() - new Date(l.measured_at).getTime() > 120_000 && <span className="second"> · received {time(l.received_at)}</span>}
            {l.late && <span className="second"> · after the due time</span>}
            {l.clock_jump && <span className="second"> · the phone’s clock was ahead</span>}
            {l.entry.kind === 'reading' && l.fate === 'counts' && <AtDesk path={desk} reading={l.id} name={l.entry.typed ?? ''} />}
          </li>
        ))}
      </ul>
    </>
  );
}

const waits: Record<Schemas['HeldStep']['why'], string> = {
  'adult-not-said': 'needs an adult, and none had said to be there.',
  'fact-not-said': 'asks something about the home first, and nobody answered.',
  'not-here': 'is not for this home, by what it says of itself.',
};

/** A step worked at before what it waits for was said: it counts once the teacher says why. */
function Held({ step, path }: { step: Schemas['HeldStep']; path: string }) {
  const [why, setWhy] = useState('');
  const [error, setError] = useState<unknown>();
  const write = useDesk(path);
  const keep = async (e: FormEvent) => {
    e.preventDefault();
    setError(undefined);
    try {
      await write({ kind: 'vouched', step: step.id, reason: why });
    } catch (problem) {
      setError(problem);
    }
  };
  const id = `vouch-${step.id}`;
  return (
    <form className="notice" onSubmit={(e) => void keep(e)}>
      <p style={{ margin: 0 }}>
        <strong>Not counted: {guardWords[step.why]}.</strong> Step {step.number}, {step.title}, {waits[step.why]} What was entered is kept and does not count.
      </p>
      <label className="named" htmlFor={id}>
        Does it count? Say why; it stands in the notebook
      </label>
      <input id={id} className="form-control" maxLength={400} value={why} onChange={(e) => setWhy(e.target.value)} placeholder="Grandma told me on the phone that she was there" />
      <ProblemLine error={error} />
      <button type="submit" className="btn btn-outline-primary" style={{ marginTop: 6 }}>
        Let it count
      </button>
    </form>
  );
}

function entryWords(l: Line, condition: (id?: string) => string) {
  const e = l.entry;
  const slot = [condition(e.condition), e.time, (e.trial ?? 1) > 1 ? `try ${e.trial}` : ''].filter(Boolean).join(', ');
  switch (e.kind) {
    case 'reading':
      return (
        <>
          {l.provenance === 'desk' && 'you put in its place, '}
          {slot}: <span className={l.fate === 'spoiled' || l.fate === 'corrected' || l.fate === 'superseded' || l.fate === 'set-aside' || isGuard(l.fate) ? 'cell-spoiled' : ''}>{e.typed}</span>
          {l.echo && l.echo.replace('\u00a0', ' ') !== e.typed && ` = ${l.echo}`}
          {l.assumed && ' (unit from the field)'}
          {l.fate && l.fate !== 'counts' && <em className="second" style={{ fontStyle: 'normal' }}> {l.fate.replaceAll('-', ' ')}{l.fate_reason && `: ${l.fate_reason}`}</em>}
          {l.messages?.map((m) => <span key={m} className="w-mend" style={{ fontWeight: 400 }}> {m}</span>)}
        </>
      );
    case 'not-read':
      return `${slot}: not read, ${e.reason}`;
    case 'spoiled':
      return `spoiled a try: ${e.reason}`;
    case 'answer':
      return `${l.asked}: ${[l.said, e.text && `“${e.text}”`].filter(Boolean).join(' ')}${l.after_start ? ' · after the start, so it counts in no verdict' : ''}${l.messages ? ` · ${l.messages.join(' ')}` : ''}`;
    case 'observation':
      return `“${e.text}”`;
    case 'step-done':
      return `finished ${e.step}`;
    case 'photo':
      return 'sent a photo';
    case 'tick':
      return e.reason === 'no' ? `took the tick off ${e.refers}` : `ticked ${e.refers}`;
    case 'adult':
      return `an adult is there, ${e.step}`;
    case 'set-aside':
      return `you set a reading aside: ${e.reason}`;
    case 'asked':
      return `you asked: “${e.text}”`;
    case 'vouched':
      return `you let ${e.step} count: ${e.reason}`;
    case 'sent':
      return 'sent the work';
    default:
      return e.kind;
  }
}
