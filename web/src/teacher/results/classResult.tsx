import { Grid } from '../parts/Grid';
import type { Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { CrossPlot } from './CrossPlot';
import { ClassPlot, type PlotProps } from './ClassPlot';
import { LedgePlot } from './LedgePlot';
import type { Results } from './useResults';
import { say } from '../words';

type Comparison = Schemas['ComparisonView'];

/** From five homes on a class's statistics are given, so that nobody can be picked out. */
export const tooFew = (r: Results) => r.counted < 5;

/** What was found, a sentence each; large as students read it, without naming a home. */
export function Findings({ comparison, large }: { comparison: Comparison; large?: boolean }) {
  return comparison.findings.map((f) => (
    <p key={f.id} className={large ? 'found found-large' : 'found'}>
      {f.verdict === 'cannot-tell' && <Icon name="info-circle" />} {large ? f.family : f.lead}
    </p>
  ));
}

/** How sure each of them is, by which test, and what lies apart. */
export function Grounds({ comparison }: { comparison: Comparison }) {
  if (comparison.findings.length === 0) return null;
  return (
    <section aria-label={say('classResult.how-it-was-found')} className="grounds">
      <h2>{say('classResult.how-it-was-found')}</h2>
      {comparison.findings.map((f) => (
        <p key={f.id} title={f.why}>
          <strong>{f.lead}</strong> {f.words}
        </p>
      ))}
    </section>
  );
}

/** The class as a plot of its kind, and below it the same in figures. */
export function Plot(props: PlotProps) {
  const { comparison, r } = props;
  if (comparison.ledge) return <LedgePlot {...props} />;
  return (
    <>
      <ClassPlot {...props} />
      {comparison.crosses.length > 0 && (
        <div className="cross-plots">
          {comparison.crosses.map((c) => (
            <CrossPlot key={`${c.reading} ${c.condition}`} {...props} crosses={c} />
          ))}
          {comparison.crosses.some((c) => c.spots.length > 1) && (
            <p className="hint small">{say('crossPlot.half')}</p>
          )}
        </div>
      )}
      {!tooFew(r) && <GroupsTable comparison={comparison} />}
    </>
  );
}

/** The class by condition. */
function GroupsTable({ comparison }: { comparison: Comparison }) {
  const expected = comparison.groups.some((g) => g.expected_text);
  return (
    <div
      className="scroll"
      tabIndex={0}
      role="region"
      aria-label={say('classResult.the-class-by-condition')}
    >
      <Grid className="groups">
        <caption className="visually-hidden">{say('classResult.the-class-by-condition')}</caption>
        <thead>
          <tr>
            <th scope="col">{say('conflict.condition')}</th>
            <th scope="col" className="num">
              {say('classResult.homes')}
            </th>
            <th scope="col" className="num">
              {say('classResult.mean-give-or-take')}
            </th>
            {expected && (
              <th scope="col" className="num">
                {say('classResult.expected')}
              </th>
            )}
            <th scope="col" className="num">
              {say('classResult.median', { unit: comparison.unit })}
            </th>
            <th scope="col" className="num">
              {say('classResult.spread-of-homes', { unit: comparison.unit })}
            </th>
          </tr>
        </thead>
        <tbody>
          {comparison.groups.map((g) => (
            <tr key={g.condition}>
              <th scope="row">{g.name || say('notebookSheet.all')}</th>
              <td className="num">{g.n}</td>
              <td className="num">{g.text}</td>
              {expected && <td className="num">{g.expected_text || '–'}</td>}
              <td className="num">{g.median_text || '–'}</td>
              <td className="num">{g.spread_text || '–'}</td>
            </tr>
          ))}
        </tbody>
      </Grid>
      <p className="hint small">{say('giveTake')}</p>
    </div>
  );
}
