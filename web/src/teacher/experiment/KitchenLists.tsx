import { day } from '../parts/dates';
import { say } from '../words';
import type { Matrix } from './KitchenMarks';

/** What is sent and lent to whom, until when, and what one thing more would do. */
export function KitchenLists({ m, due }: { m: Matrix; due?: string }) {
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
      <Things title={say('kitchens.things-to-send')} things={m.packing.filter((p) => !p.lent)} />
      <Things
        title={due ? say('kitchens.to-lend-until', { day: day(due) }) : say('kitchens.to-lend')}
        things={m.packing.filter((p) => p.lent)}
      />
      <Things title={say('kitchens.homes-get')} things={m.shopping} />
    </>
  );
}

/** Things that homes need from somebody: how much, for whom, what it costs, where it is found. */
function Things({ title, things }: { title: string; things: Matrix['packing'] }) {
  if (things.length === 0) return null;
  return (
    <section className="band" aria-label={title}>
      <h2>{title}</h2>
      <ul className="indented">
        {things.map((p) => (
          <li key={p.name}>
            {p.homes.length} × {p.name}
            {p.each && ` ${say('kitchens.each', { amount: p.each })}`}
            {p.total && ` · ${say('kitchens.in-all', { amount: p.total })}`}:{' '}
            <span className="second">
              {p.homes.join(', ')}
              {[p.place, p.cost, p.get].filter(Boolean).map((w) => ` · ${w}`)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
