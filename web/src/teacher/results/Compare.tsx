import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { ButtonLink } from '../parts/ButtonLink';
import { Notice } from '../parts/Notice';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError } from '../parts/states';
import { Apart } from './Apart';
import { Findings, Grounds, Plot, tooFew } from './classResult';
import { NotebookSheet } from './NotebookSheet';
import { NotIssued } from './NotIssued';
import { useResults, type Assignment, type Results } from './useResults';
import { WhatTheySaid } from './WhatTheySaid';
import { ownLanguage } from '../languages';
import { say } from '../words';
import { failed } from '../parts/failed';

/** How many homes do not count, and why. */
function notCounted(r: Results) {
  const shared = r.homes.filter(
    (h) => h.state === 'declined' || h.permission === 'watching',
  ).length;
  const back = r.homes.filter((h) => h.state === 'withdrawn').length;
  const out = r.homes.length - r.counted;
  const yet = Math.max(0, out - shared - back);
  const why = [
    shared > 0 && say('compare.use-shared', { count: shared }),
    back > 0 && say('compare.took-back', { count: back }),
    yet > 0 && say('compare.no-reading-yet', { count: yet }),
  ].filter(Boolean) as string[];
  return say(out === 0 ? 'compare.all-counted' : 'compare.not-counted', {
    count: out,
    homes: say('count.homes', { count: r.homes.length }),
    why: new Intl.ListFormat(ownLanguage(), { type: 'unit' }).format(why),
    removed: r.erased > 0 && say('compare.homes-were-removed', { count: r.erased }),
  });
}

/** What did we find, in words; do the homes agree; which could not tell? The plot is the page. */
export function Compare({ assignment, id }: { assignment: Assignment | undefined; id: string }) {
  const results = useResults(assignment);
  const [params, change] = useAddress();
  if (!assignment) return <NotIssued id={id} />;
  if (results.isPending) return <Loading what={say('compare.what-the-class-found')} />;
  if (failed(results))
    return (
      <PartError
        what={say('compare.the-class-result')}
        error={results.error}
        retry={() => void results.refetch()}
      />
    );
  const r = results.data;
  const asSent = params.get('as') === 'sent' && r.as_sent.length > 0;
  const comparisons = asSent ? r.as_sent : r.comparisons;
  const comparison = comparisons.find((c) => c.derived === params.get('plot')) ?? comparisons[0];
  const home = params.get('home');
  if (!comparison) {
    return (
      <main className="work">
        <p className="lead-sentence">{say('compare.nothing-is-measured-in-this-experiment')}</p>
      </main>
    );
  }
  const few = tooFew(r);
  const sentence =
    r.counted === 0
      ? say('compare.no-home-has-readings-yet')
      : r.counted === 1
        ? say('compare.one-home-there-is-no-class')
        : few
          ? say('compare.too-early-homes-are-in-here', { count: r.counted })
          : undefined;
  return (
    <div className={home ? 'with-sheet' : ''}>
      <main className="work">
        <div className="d-flex gap-3 align-items-baseline flex-wrap mb-2">
          <label htmlFor="plot" className="small">
            {say('compare.plot')}
          </label>
          <FormSelect
            id="plot"
            className="w-auto"
            value={comparison.derived}
            onChange={(e) => change({ plot: e.target.value })}
          >
            {r.comparisons.map((c) => (
              <option key={c.derived} value={c.derived}>
                {c.name}
              </option>
            ))}
          </FormSelect>
          <ButtonLink to={`/show/${assignment.class}/${assignment.id}?plot=${comparison.derived}`}>
            {say('compare.show-to-class')}
          </ButtonLink>
          <a
            href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.csv?language=${ownLanguage()}`}
            download
          >
            {say('collect.readings-as-csv')}
          </a>
          <a
            href={`/api/v1/classes/${assignment.class}/assignments/${assignment.id}/export.json`}
            download
          >
            {say('collect.as-json')}
          </a>
        </div>
        {sentence && <p className="lead-sentence">{sentence}</p>}
        {comparison.note && <Notice kind="note">{comparison.note}</Notice>}
        {!few && <Findings comparison={comparison} />}
        <Plot r={r} comparison={comparison} chosen={home} onOpen={(h) => change({ home: h })} />
        {!few && <Grounds comparison={comparison} />}
        <Apart r={r} derived={comparison.derived} />
        <WhatTheySaid r={r} onOpen={(h) => change({ home: h })} />
        {r.at_desk > 0 && (
          <Notice kind="note">
            {say('compare.set-aside-or-given-another-value', {
              value:
                r.at_desk === 1
                  ? say('compare.one-reading-was')
                  : say('compare.readings-were', { atdesk: r.at_desk }),
            })}{' '}
            <Button
              variant="plain"
              aria-pressed={asSent}
              onClick={() => change({ as: asSent ? undefined : 'sent' })}
            >
              {asSent ? say('compare.show-it-with-that') : say('compare.show-it-as-it-was-sent')}
            </Button>
          </Notice>
        )}
        <p className="second small mt-2">{notCounted(r)}</p>
      </main>
      {home && (
        <SideSheet
          title={say('collect.s-notebook', {
            value: r.homes.find((h) => h.home === home)?.nickname ?? say('collect.home'),
          })}
          onClose={() => change({ home: undefined })}
        >
          <NotebookSheet assignment={assignment} home={home} results={r} />
        </SideSheet>
      )}
    </div>
  );
}
