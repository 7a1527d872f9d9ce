import { useSearchParams } from 'react-router';
import { Icon } from '../../ui/Icon';
import { Loading, PartError, SideSheet } from '../frame/parts';
import { ClassPlot } from './ClassPlot';
import { NotebookSheet } from './NotebookSheet';
import { NotIssued } from './NotIssued';
import { useResults, type Assignment } from './useResults';

/** What did we find, in words; do the homes agree; which could not tell? The plot is the page. */
export function Compare({ assignment, id }: { assignment: Assignment | undefined; id: string }) {
  const results = useResults(assignment);
  const [params, setParams] = useSearchParams();
  if (!assignment) return <NotIssued id={id} />;
  if (results.isPending) return <Loading what="what the class found" />;
  if (results.error) return <PartError what="The class result" error={results.error} retry={() => void results.refetch()} />;
  const r = results.data;
  const change = (key: string, value?: string) => setParams((p) => { if (value) p.set(key, value); else p.delete(key); return p; });
  const toClass = params.get('show') === 'class';
  const comparison = r.comparisons.find((c) => c.derived === params.get('plot')) ?? r.comparisons[0];
  const home = toClass ? null : params.get('home');
  if (!comparison) {
    return (
      <main className="work">
        <p className="lead-sentence">Nothing is worked out in this experiment, so there is nothing to compare. Add a value at Materials and steps.</p>
      </main>
    );
  }
  const few = r.counted < 5;
  const expected = comparison.groups.some((g) => g.expected_text);
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
          <button type="button" className="btn btn-outline-primary" aria-pressed={toClass} onClick={() => change('show', toClass ? undefined : 'class')}>
            {toClass ? 'Back to names' : 'Show to class'}
          </button>
          {!toClass && (
            <>
              <a href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.csv`} download>
                Readings as CSV
              </a>
              <a href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.json`} download>
                as JSON
              </a>
            </>
          )}
        </div>
        {toClass && <h2>{r.question}</h2>}
        {sentence && <p className="lead-sentence">{sentence}</p>}
        {(!few || !toClass) &&
          comparison.findings.map((f) => (
            <p key={f.condition} className={few ? '' : 'lead-sentence'} style={{ fontSize: toClass ? '1.125rem' : '1rem', maxWidth: '95ch', margin: '0 0 4px' }}>
              {f.verdict === 'cannot-tell' && !few && <Icon name="info-circle" />} {f.words}
            </p>
          ))}
        {toClass && few ? <p>The picture is shown from five homes on, so that nobody can be picked out.</p> : <ClassPlot r={r} comparison={comparison} anonymous={toClass} chosen={home} onOpen={toClass ? undefined : (h) => change('home', h)} />}
        {!few && (
          <table className="grid" style={{ marginTop: 12, maxWidth: 780 }}>
            <caption className="visually-hidden">The class by condition</caption>
            <thead>
              <tr>
                <th scope="col">condition</th>
                <th scope="col" className="num">homes</th>
                <th scope="col" className="num">mean, give or take</th>
                {expected && <th scope="col" className="num">expected</th>}
                <th scope="col" className="num">median, {comparison.unit}</th>
                <th scope="col" className="num">spread of homes, {comparison.unit}</th>
              </tr>
            </thead>
            <tbody>
              {comparison.groups.map((g) => (
                <tr key={g.condition}>
                  <th scope="row">{g.name || 'all'}</th>
                  <td className="num">{g.n}</td>
                  <td className="num">{g.text}</td>
                  {expected && <td className="num">{g.expected_text || '–'}</td>}
                  <td className="num">{g.median_text || '–'}</td>
                  <td className="num">{g.spread_text || '–'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {!toClass && (
          <p className="second small" style={{ marginTop: 8 }}>
            {r.homes.length - r.counted} of {r.homes.length} homes are not counted: {r.homes.filter((h) => h.state === 'declined' || h.permission === 'watching').length} use shared readings, {r.homes.filter((h) => h.state === 'withdrawn').length} took permission back, the rest have no reading yet.
            {r.erased > 0 && ` ${r.erased} homes were removed.`}
          </p>
        )}
      </main>
      {home && (
        <SideSheet title={`${r.homes.find((h) => h.home === home)?.nickname ?? 'Home'}’s notebook`} onClose={() => change('home')}>
          <NotebookSheet assignment={assignment} home={home} results={r} />
        </SideSheet>
      )}
    </div>
  );
}
