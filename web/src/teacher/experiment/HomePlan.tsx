import { say } from '../words';
import { markWords, verdicts, type Matrix, type Row } from './KitchenMarks';

/** One home's plan in words. */
export function HomePlan({ row, needs }: { row: Row; needs: Matrix['needs'] }) {
  const departs = row.cells
    .map((c, i) => ({ c, need: needs[i] }))
    .filter(({ c }) => !c.own || c.kit || c.get || c.without);
  return (
    <>
      <p className="mt-0">
        <strong>{verdicts[row.verdict]}</strong>
        {row.assumed && ` · ${say('kitchens.taken-as-usual')}`}
      </p>
      <dl>
        {departs.map(({ c, need }) => (
          <div key={need.need}>
            <dt>{need.name}</dt>
            <dd>
              {[c.name, markWords(c)].filter(Boolean).join(' · ')} {c.amount}{' '}
              <span className="second">{c.why}</span>
            </dd>
          </div>
        ))}
      </dl>
      {row.shared.length > 0 && (
        <p>{say('kitchens.from-you', { readings: row.shared.join(', ') })}</p>
      )}
    </>
  );
}
