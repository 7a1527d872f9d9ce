import type { Review } from '../draft/useDraft';
import { say } from '../words';

/** The things needed, in the order of their first use; one that nobody uses stands open, one of which nobody said what it is wears a question mark. */
export function Shelf({
  jars,
  chosenStep,
  onChoose,
}: {
  jars: Review['strip']['shelf'];
  chosenStep: string | undefined;
  onChoose: (at: string) => void;
}) {
  return (
    <section className="strip-shelf" aria-label={say('shelf.shelf')}>
      <h3 className="small second m-0">{say('shelf.shelf')}</h3>
      {jars.length === 0 && <p className="small second m-0">{say('shelf.empty')}</p>}
      <ul>
        {jars.map((j) => (
          <li key={j.need}>
            <button
              type="button"
              className={`strip-jar ${j.open ? 'open' : ''} ${chosenStep && j.steps.includes(chosenStep) ? 'used' : ''}`}
              onClick={() => onChoose(`need:${j.need}`)}
            >
              <b>{j.name || say('shelf.without-a-name')}</b>
              <small>
                {[
                  j.amount,
                  j.open && say('shelf.what-is-it'),
                  j.steps.length === 0 && say('shelf.unused'),
                ]
                  .filter(Boolean)
                  .join(' · ') || say('shelf.steps', { count: j.steps.length })}
              </small>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
