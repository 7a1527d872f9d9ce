import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { ask, type Schemas } from '../../api/client';
import { Conflict } from '../draft/Conflict';
import { useDraft } from '../draft/useDraft';
import { Loading, PartError } from '../frame/parts';
import { Trouble } from '../frame/Trouble';
import { Collect } from '../results/Collect';
import { Compare } from '../results/Compare';
import { Run } from '../results/Run';
import { EditingContext } from './fields';
import { Issue } from './Issue';
import { Margin } from './Margin';
import { Plan } from './Plan';
import { Safety } from './Safety';
import { StationLine, stations, type Station } from './StationLine';
import { Steps } from './Steps';

/** One experiment at one of its eight stations. */
export default function ExperimentPage() {
  const { experiment: id = '', station = 'plan' } = useParams();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const draft = useDraft(id);
  const assignments = useQuery({ queryKey: ['assignments'], queryFn: () => ask<Schemas['ListAssignmentView']>('GET', '/assignments') });
  const incidents = useQuery({ queryKey: ['incidents'], queryFn: () => ask<Schemas['ListIncidentView']>('GET', '/incidents') });
  const [language, setLanguage] = useState('en');
  const here = (stations.includes(station as Station) ? station : 'plan') as Station;
  const mine = assignments.data?.items.filter((a) => a.experiment === id) ?? [];
  const assignment = mine.find((a) => a.id === params.get('assignment')) ?? mine[0];
  const { doc, review } = draft;
  const title = doc?.title[language] || doc?.title.en || Object.values(doc?.title ?? {})[0] || 'Without a title';
  useEffect(() => {
    document.title = `${title} · Patient Kitchen`;
    const onKey = (() => {
      let waiting = false;
      return (e: KeyboardEvent) => {
        if ((e.target as HTMLElement).closest('input, textarea, select')) return;
        if (waiting && e.key >= '1' && e.key <= '8') void navigate(`/experiments/${id}/${stations[Number(e.key) - 1]}`);
        waiting = e.key === 'g';
      };
    })();
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [title, id, navigate]);
  if (draft.error) return <PartError what="This experiment" error={draft.error} retry={draft.open} />;
  if (!doc) return <Loading what="the experiment" />;
  const troubles = incidents.data?.items.filter((i) => !i.seen_at && mine.some((a) => a.id === i.assignment)) ?? [];
  const designing = here === 'plan' || here === 'steps' || here === 'safety';
  const search = assignment && params.get('assignment') ? `?assignment=${assignment.id}&class=${assignment.class}` : '';
  return (
    <EditingContext.Provider value={{ doc, set: draft.set, language, findings: review?.validation ?? [] }}>
      <header className="head">
        <h1 style={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', maxWidth: '34em' }} title={title}>
          {title}
        </h1>
        <span className="second">
          ages {doc.age_band.replace('-', '–')} · {assignment ? `${assignment.class_name}, version ${assignment.number} issued` : 'not issued'}
        </span>
        <div className="aside">
          {designing && doc.languages.length > 1 && (
            <>
              <label htmlFor="writing-language" className="small">
                Words in
              </label>
              <select id="writing-language" className="form-select" style={{ width: 'auto' }} value={language} onChange={(e) => setLanguage(e.target.value)}>
                {doc.languages.map((l) => (
                  <option key={l} value={l}>
                    {{ en: 'English', es: 'Español' }[l] ?? l}
                  </option>
                ))}
              </select>
            </>
          )}
          {(here === 'run' || here === 'collect' || here === 'compare') && mine.length > 1 && (
            <>
              <label htmlFor="of-class" className="small">
                Class
              </label>
              <select
                id="of-class"
                className="form-select"
                style={{ width: 'auto' }}
                value={assignment?.id}
                onChange={(e) => {
                  const to = mine.find((a) => a.id === e.target.value)!;
                  void navigate(`/experiments/${id}/${here}?assignment=${to.id}&class=${to.class}`);
                }}
              >
                {mine.map((a) => (
                  <option key={a.id} value={a.id}>
                    {a.class_name}, version {a.number}
                    {a.state === 'recalled' ? ', taken back' : ''}
                  </option>
                ))}
              </select>
            </>
          )}
          <a className="btn btn-outline-primary" href={`/api/v1/experiments/${id}/file`} download>
            Open file
          </a>
        </div>
      </header>
      <StationLine id={id} here={here} review={review} assignment={assignment} search={search} />
      {troubles.length > 0 && (
        <section aria-label="Something went wrong" style={{ margin: '8px 20px' }}>
          {troubles.map((i) => (
            <Trouble key={i.id} incident={i} brief={here !== 'run'} />
          ))}
        </section>
      )}
      {draft.state.conflict && <Conflict state={draft.state} onSettle={draft.settle} />}
      {designing && assignment && <p className="notice plain" style={{ margin: '8px 20px' }}>Version {assignment.number} is with {assignment.homes} homes and stays as it is. What you change here makes the next version when you issue it.</p>}
      {here === 'plan' && <Plan review={review} />}
      {here === 'steps' && <Steps review={review} replace={draft.replace} />}
      {here === 'safety' && <Safety id={id} review={review} replace={draft.replace} />}
      {here === 'kitchens' && (
        <main className="work">
          <p className="lead-sentence">Kitchens are taken as usual: every home gets the design as it is written.</p>
          <p>Families see, beside each need, what they may use instead. They are not asked what they have yet, so nothing is converted for a single home.</p>
        </main>
      )}
      {here === 'issue' && <Issue id={id} review={review} assignments={mine} title={title} />}
      {here === 'run' && <Run assignment={assignment} id={id} />}
      {here === 'collect' && <Collect assignment={assignment} id={id} />}
      {here === 'compare' && <Compare assignment={assignment} id={id} />}
      {designing && <Margin id={id} review={review} />}
    </EditingContext.Provider>
  );
}
