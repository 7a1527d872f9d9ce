import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Verdict, verdictWords } from '../frame/Verdict';

export type Finding = Schemas['SafetyView'];

interface Props {
  finding: Finding;
  open: boolean;
  /** How many signs a reason has at least. */
  least: number;
  onWay: (way: string, words: string) => void;
  onLower: (finding: Finding, reason: string) => void;
  onRaise: (finding: Finding) => void;
  onStep: (id: string) => void;
}

/** One finding: where, the verdict, why, what to do, and ways out that carry themselves out. */
export function FindingCard({ finding: f, open, least, onWay, onLower, onRaise, onStep }: Props) {
  const [more, setMore] = useState(open);
  const [why, setWhy] = useState<string>();
  const shown = more || f.verdict === 'not-at-home';
  return (
    <article className={`card-paper finding v-${f.verdict}`} tabIndex={-1} data-finding={`${f.rule}-${f.case ?? ''}-${f.need ?? ''}`}>
      <h3>
        <Verdict v={f.verdict} />
        {f.absolute && <span className="second"> · cannot be lowered</span>}
        {f.asks && <span className="second"> · not said yet</span>}
        <span className="second small">
          {' '}
          ·{' '}
          {f.steps.map((s, i) => (
            <span key={s.id}>
              {i > 0 && ' '}
              <button type="button" className="btn-plain" onClick={() => onStep(s.id)}>
                step {s.number}
              </button>
            </span>
          ))}
          {f.things.length > 0 && ` · ${f.things.join(', ')}`}
          {f.action && !f.things.length && ` · ${f.action.replaceAll('-', ' ')}`}
        </span>
      </h3>
      <p style={{ margin: 0 }}>
        {f.why} {f.do}
      </p>
      {f.was && (
        <p className="small" style={{ margin: '4px 0 0' }}>
          {verdictWords[f.was]}, lowered to {verdictWords[f.verdict]}. {f.reason}{' '}
          <button type="button" className="btn-plain" onClick={() => onRaise(f)}>
            Put it back
          </button>
        </p>
      )}
      {shown && (
        <>
          {f.gear.length > 0 && <p className="small finding-line">Wear: {f.gear.join(', ')}.</p>}
          {f.wrong.length > 0 && <p className="small finding-line">If it goes wrong: {f.wrong.join(' · ')}.</p>}
          {f.clear && <p className="small finding-line">Clearing up: {f.clear}</p>}
        </>
      )}
      {f.ways.length > 0 && (
        <p className="ways">
          {f.ways.map((w) => (
            <button key={w.id} type="button" className="btn btn-outline-primary" onClick={() => onWay(w.id, w.label)}>
              {w.label}
              {w.after && w.id !== 'watch' && <span className="small"> · then {verdictWords[w.after].toLowerCase()}</span>}
            </button>
          ))}
        </p>
      )}
      <p className="finding-line">
        {!shown && (
          <button type="button" className="btn-plain small" onClick={() => setMore(true)}>
            Gear, first aid, clearing up
          </button>
        )}
        {f.can_lower && why === undefined && (
          <button type="button" className="btn-plain small" onClick={() => setWhy('')}>
            Lower it by one level? It needs a reason
          </button>
        )}
      </p>
      {why !== undefined && (
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (why.trim().length >= least) onLower(f, why.trim());
          }}
        >
          <label className="named" htmlFor={`why-${f.rule}-${f.steps[0]?.id}`}>
            Say why. It is printed on the sheet with your name, and permission is asked again.
          </label>
          <input id={`why-${f.rule}-${f.steps[0]?.id}`} className="form-control" maxLength={300} value={why} autoFocus onChange={(e) => setWhy(e.target.value)} />
          <p className="ways">
            <button type="submit" className="btn btn-primary" aria-disabled={why.trim().length < least}>
              Lower it
            </button>
            <button type="button" className="btn btn-outline-primary" onClick={() => setWhy(undefined)}>
              Leave it
            </button>
            {why.trim().length < least && <span className="hint small">{least - why.trim().length} more letters</span>}
          </p>
        </form>
      )}
    </article>
  );
}
