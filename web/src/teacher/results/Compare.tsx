import { Link, useSearchParams } from 'react-router';
import { Loading, PartError, SideSheet } from '../frame/parts';
import { ClassPlot } from './ClassPlot';
import { Findings, GroupsTable, tooFew } from './classResult';
import { NotebookSheet } from './NotebookSheet';
import { NotIssued } from './NotIssued';
import { useResults, type Assignment } from './useResults';
import { WhatTheySaid } from './WhatTheySaid';

/** What did we find, in words; do the homes agree; which could not tell? The plot is the page. */
export function Compare({ assignment, id }: { assignment: Assignment | undefined; id: string }) {
  const results = useResults(assignment);
  const [params, setParams] = useSearchParams();
  if (!assignment) return <NotIssued id={id} />;
  if (results.isPending) return <Loading what="what the class found" />;
  if (results.error) return <PartError what="The class result" error={results.error} retry={() => void results.refetch()} />;
  const r = results.data;
  const change = (key: string, value?: string) => setParams((p) => { if (value) p.set(key, value); else p.delete(key); return p; });
  const asSent = params.get('as') === 'sent' && r.as_sent.length > 0;
  const comparisons = asSent ? r.as_sent : r.comparisons;
  const comparison = comparisons.find((c) => c.derived === params.get('plot')) ?? comparisons[0];
  const home = params.get('home');
  if (!comparison) {
    return (
      <main className="work">
        <p className="lead-sentence">Nothing is measured in this experiment, so there is nothing to compare. Add a reading at Materials.</p>
      </main>
    );
  }
  const few = tooFew(r);
  const sentence = r.counted === 0 ? 'No home has readings yet.' : r.counted === 1 ? 'One home: there is no class result to give. Its own result is below.' : few ? `Too early: ${r.counted} homes are in. Here they are one by one.` : undefined;
  return (
    <div className={home ? 'with-sheet' : ''}>
      <main className="work">
        <div style={{ display: 'flex', gap: 12, alignItems: 'baseline', flexWrap: 'wrap', marginBottom: 6 }}>
          <label htmlFor="plot" className="small">
            plot
          </label>
          <select id="plot" className="form-select" style={{ width: 'auto' }} value={comparison.derived} onChange={(e) => change('plot', e.target.value)}>
            {r.comparisons.map((c) => (
              <option key={c.derived} value={c.derived}>
                {c.name}
              </option>
            ))}
          </select>
          <Link className="btn btn-outline-primary" to={`/show/${assignment.class}/${assignment.id}?plot=${comparison.derived}`}>
            Show to class
          </Link>
          <a href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.csv`} download>
            Readings as CSV
          </a>
          <a href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.json`} download>
            as JSON
          </a>
        </div>
        {sentence && <p className="lead-sentence">{sentence}</p>}
        {comparison.note && <p className="notice plain">{comparison.note}</p>}
        <Findings comparison={comparison} few={few} />
        <ClassPlot r={r} comparison={comparison} chosen={home} onOpen={(h) => change('home', h)} />
        {!few && <GroupsTable comparison={comparison} />}
        <WhatTheySaid r={r} onOpen={(h) => change('home', h)} />
        {r.at_desk > 0 && (
          <p className="notice plain">
            {r.at_desk === 1 ? 'One reading was' : `${r.at_desk} readings were`} set aside or given another value by you.{' '}
            <button type="button" className="btn-plain" aria-pressed={asSent} onClick={() => change('as', asSent ? undefined : 'sent')}>
              {asSent ? 'Show it with that' : 'Show it as it was sent'}
            </button>
          </p>
        )}
        <p className="second small" style={{ marginTop: 8 }}>
          {r.homes.length - r.counted} of {r.homes.length} homes are not counted: {r.homes.filter((h) => h.state === 'declined' || h.permission === 'watching').length} use shared readings, {r.homes.filter((h) => h.state === 'withdrawn').length} took permission back, the rest have no reading yet.
          {r.erased > 0 && ` ${r.erased} homes were removed.`}
        </p>
      </main>
      {home && (
        <SideSheet title={`${r.homes.find((h) => h.home === home)?.nickname ?? 'Home'}’s notebook`} onClose={() => change('home')}>
          <NotebookSheet assignment={assignment} home={home} results={r} />
        </SideSheet>
      )}
    </div>
  );
}
