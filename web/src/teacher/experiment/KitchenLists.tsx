import { say } from '../words';
import type { Matrix } from './KitchenMarks';

/** What is sent to whom, and what one thing more would do. */
export function KitchenLists({ m }: { m: Matrix }) {
  return (
    <>
      {m.helps.length > 0 && (
        <section className="band" aria-label={say('kitchens.what-helps-most')}>
          <h2>{say('kitchens.what-helps-most')}</h2>
          <ol className="indented">
            {m.helps.map((h) => (
              <li key={h.name}>{say('kitchens.helps', { what: h.name, count: h.homes })}</li>
            ))}
          </ol>
        </section>
      )}
      {m.packing.length > 0 && (
        <section className="band" aria-label={say('kitchens.to-send-or-lend')}>
          <h2>{say('kitchens.to-send-or-lend')}</h2>
          <ul className="indented">
            {m.packing.map((p) => (
              <li key={p.name}>
                {p.homes.length} × {p.name}: <span className="second">{p.homes.join(', ')}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
