import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, got } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { Findings, Plot, tooFew } from './classResult';
import { useResults } from './useResults';
import { say } from '../words';
import { failed } from '../parts/failed';

/** What the class found, for a wall or a shared screen: no name, no number of a telephone, nothing of the teacher's frame. */
export default function ShowToClass() {
  const { class: classId = '', assignment: id = '' } = useParams();
  const [params] = useSearchParams();
  const assignments = useQuery({
    queryKey: ['assignments'],
    queryFn: () => got(api.GET('/api/v1/assignments')),
  });
  const assignment = assignments.data?.items.find((a) => a.id === id && a.class === classId);
  const results = useResults(assignment);
  useEffect(() => {
    document.title = say('showToClass.what-we-found');
  }, []);
  if (failed(assignments))
    return (
      <PartError
        what={say('showToClass.the-experiment')}
        error={assignments.error}
        retry={() => void assignments.refetch()}
      />
    );
  if (assignments.data && !assignment)
    return <PartError what={say('showToClass.this-result')} error={undefined} />;
  if (failed(results))
    return (
      <PartError
        what={say('compare.the-class-result')}
        error={results.error}
        retry={() => void results.refetch()}
      />
    );
  if (!assignment || !results.data) return <Loading what={say('compare.what-the-class-found')} />;
  const r = results.data;
  const comparison =
    r.comparisons.find((c) => c.derived === params.get('plot')) ?? r.comparisons[0];
  const few = tooFew(r);
  return (
    <main className="show">
      <h1>{r.question}</h1>
      {!comparison && (
        <p className="lead-sentence">{say('showToClass.nothing-is-measured-in-this-experiment')}</p>
      )}
      {comparison && few && (
        <p className="lead-sentence">
          {r.counted === 0
            ? say('compare.no-home-has-readings-yet')
            : say('showToClass.the-picture-is-shown-from-five')}
        </p>
      )}
      {comparison && !few && (
        <>
          <Findings comparison={comparison} large />
          <Plot r={r} comparison={comparison} anonymous chosen={null} />
        </>
      )}
      <p className="back">
        <Link
          to={`/experiments/${assignment.experiment}/compare?assignment=${id}&class=${classId}${params.get('plot') ? `&plot=${params.get('plot')}` : ''}`}
        >
          {say('showToClass.back-to-names')}
        </Link>
      </p>
    </main>
  );
}
