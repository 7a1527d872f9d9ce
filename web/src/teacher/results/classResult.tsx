import type { Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import type { Results } from './useResults';
import { say } from '../words';

type Comparison = Schemas['ComparisonView'];

/** From five homes on a class's statistics are given, so that nobody can be picked out. */
export const tooFew = (r: Results) => r.counted < 5;

/** What was found, in words; large as students read it, without naming a home. */
export function Findings({
  comparison,
  few,
  large,
}: {
  comparison: Comparison;
  few: boolean;
  large?: boolean;
}) {
  if (few) return null; // the page says so once
  return comparison.findings.map((f) => (
    <p key={f.id} className={`finding ${large ? 'large' : ''}`}>
      {f.verdict === 'cannot-tell' && <Icon name="info-circle" />}{' '}
      {large ? (
        f.family
      ) : (
        <>
          <strong>{f.lead}</strong>{' '}
          <span className="small" title={f.why}>
            {f.words}
          </span>
        </>
      )}
    </p>
  ));
}

/** The class by condition. */
export function GroupsTable({ comparison }: { comparison: Comparison }) {
  const expected = comparison.groups.some((g) => g.expected_text);
  return (
    <div
      className="scroll"
      tabIndex={0}
      role="region"
      aria-label={say('classResult.the-class-by-condition')}
    >
      <table className="grid groups">
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
      </table>
      <p className="hint small">{say('giveTake')}</p>
    </div>
  );
}
