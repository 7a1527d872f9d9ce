import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { Loading, PartError, ProblemLine, ThreadFace } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { emptyDoc } from '../draft/document';

const examples = [
  ['paper-strips', 'Paper strips'],
  ['thirsty-beans', 'Thirsty beans'],
  ['falling-spinners', 'Falling spinners'],
] as const;

/** Find one to run or go on with; the face of an experiment is its procedure to time. */
export function Experiments() {
  const list = useQuery({ queryKey: ['experiments'], queryFn: () => ask<Schemas['ListExperimentRow']>('GET', '/experiments') });
  const client = useQueryClient();
  const navigate = useNavigate();
  const { did } = useKeeping();
  const [error, setError] = useState<unknown>();
  const begin = async (body: unknown) => {
    setError(undefined);
    try {
      const d = await ask<Schemas['DraftView']>('POST', '/experiments', { body });
      await client.invalidateQueries({ queryKey: ['experiments'] });
      await navigate(`/experiments/${d.id}/plan`);
    } catch (e) {
      setError(e);
    }
  };
  const fromFile = async (file: File | undefined) => {
    if (!file) return;
    try {
      await begin({ document: JSON.parse(await file.text()) as unknown });
    } catch {
      setError(new Error('unreadable'));
    }
  };
  const remove = async (id: string, title: string) => {
    await ask('DELETE', `/experiments/${id}`);
    await client.invalidateQueries({ queryKey: ['experiments'] });
    did(`${title} taken off the list`, () => void ask('POST', `/experiments/${id}/restore`).then(() => client.invalidateQueries({ queryKey: ['experiments'] })));
  };
  return (
    <>
      <Head title="Experiments" aside={<button type="button" className="btn btn-primary" onClick={() => void begin({ document: emptyDoc })}>Begin from nothing</button>} />
      <main className="work">
        <p>
          Begin from an example:{' '}
          {examples.map(([name, words]) => (
            <button key={name} type="button" className="btn btn-outline-primary" style={{ marginRight: 8 }} onClick={() => void begin({ example: name })}>
              {words}
            </button>
          ))}
          <label className="btn btn-outline-primary">
            From a file
            <input type="file" accept=".json,application/json" className="visually-hidden" onChange={(e) => void fromFile(e.target.files?.[0])} />
          </label>
        </p>
        <ProblemLine error={error} />
        {list.isPending && <Loading what="your experiments" />}
        {list.error && <PartError what="Your experiments" error={list.error} retry={() => void list.refetch()} />}
        {list.data?.items.length === 0 && <p className="lead-sentence">You have no experiment yet. An example is a quick start: change what you like.</p>}
        <ul className="plain-list">
          {list.data?.items.map((e) => (
            <li key={e.id} className="row-line" style={{ display: 'grid', gridTemplateColumns: '280px minmax(0,1fr) 130px auto' }}>
              <div>
                <Link to={`/experiments/${e.id}/plan`} style={{ fontWeight: 700, overflowWrap: 'anywhere' }}>
                  {e.title || 'Without a title'}
                </Link>
                <ThreadFace spans={e.spans} />
              </div>
              <div>
                {e.problem ? <span className="w-mend">{e.problem}</span> : (e.question?.en ?? Object.values(e.question ?? {})[0])}
                {e.age_band && <div className="second small">ages {e.age_band.replace('-', '–')}</div>}
              </div>
              <div className="second small">
                {!e.problem && (
                  <>
                    {e.hands} min of hands
                    <br />
                    {e.minutes > 180 ? `${Math.round(e.minutes / 60)} h in all` : `${e.minutes} min in all`}
                  </>
                )}
              </div>
              <button type="button" className="btn-plain small" onClick={() => void remove(e.id, e.title)} aria-label={`Take off: ${e.title}`}>
                Take off
              </button>
            </li>
          ))}
        </ul>
      </main>
    </>
  );
}
