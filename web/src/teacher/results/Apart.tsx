import { say } from '../words';
import { Findings } from './classResult';
import type { Results } from './useResults';

/** Homes that used something else: no part of the main result, with their own where they are enough. */
export function Apart({ r, derived }: { r: Results; derived: string }) {
  if (r.apart.length === 0) return null;
  return (
    <section className="band" aria-label={say('compare.compared-apart')}>
      <h2>{say('compare.compared-apart')}</h2>
      {r.apart.map((s) => {
        const own = s.comparisons.find((c) => c.derived === derived);
        return (
          <div key={s.uses}>
            <p className="m-0">
              <strong>{s.uses}</strong>: <span className="second">{s.homes.join(', ')}</span>
            </p>
            {own ? (
              <Findings comparison={own} />
            ) : (
              <p className="hint small">{say('compare.too-few-of-their-own')}</p>
            )}
          </div>
        );
      })}
    </section>
  );
}
