import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { Reason } from '../parts/Reason';
import { Verdict, verdictWords } from '../parts/Verdict';
import { say } from '../words';

export type Finding = Schemas['SafetyView'];

interface Props {
  finding: Finding;
  open: boolean;
  /** How many signs a reason has at least. */
  least: number;
  onMend: (change: Schemas['Change'], words: string) => void;
  onLower: (finding: Finding, reason: string) => void;
  onRaise: (finding: Finding) => void;
  onStep: (id: string) => void;
}

/** One finding: where, the verdict, why, what to do, and mends that carry themselves out. */
export function FindingCard({ finding: f, open, least, onMend, onLower, onRaise, onStep }: Props) {
  const [more, setMore] = useState(open);
  const [lowering, setLowering] = useState(false);
  const shown = more || f.verdict === 'not-at-home';
  return (
    <article
      className={`card-paper finding v-${f.verdict}`}
      tabIndex={-1}
      data-finding={`${f.rule}-${f.case ?? ''}-${f.need ?? ''}`}
    >
      <h3>
        <Verdict v={f.verdict} />
        {f.absolute && <span className="second"> {say('findingCard.cannot-be-lowered')}</span>}
        {f.asks && <span className="second"> {say('findingCard.not-said-yet')}</span>}
        <span className="second small">
          {' '}
          ·{' '}
          {f.steps.map((s, i) => (
            <span key={s.id}>
              {i > 0 && ' '}
              <Button variant="plain" onClick={() => onStep(s.id)}>
                {say('findingCard.step', { number: s.number })}
              </Button>
            </span>
          ))}
          {f.things.length > 0 && ` · ${f.things.join(', ')}`}
          {f.action && !f.things.length && ` · ${f.action}`}
        </span>
      </h3>
      <p className="m-0">
        {f.why} {f.do}
      </p>
      {f.was && (
        <p className="small mt-1 mb-0">
          {say('findingCard.lowered-to', {
            value: verdictWords[f.was],
            value2: verdictWords[f.verdict],
            reason: f.reason,
          })}{' '}
          <Button variant="plain" onClick={() => onRaise(f)}>
            {say('findingCard.put-it-back')}
          </Button>
        </p>
      )}
      {shown && (
        <>
          {f.gear.length > 0 && (
            <p className="small finding-line">
              {say('findingCard.wear', { join: f.gear.join(', ') })}
            </p>
          )}
          {f.wrong.length > 0 && (
            <p className="small finding-line">
              {say('findingCard.if-it-goes-wrong', { join: f.wrong.join(' · ') })}
            </p>
          )}
          {f.clear && (
            <p className="small finding-line">
              {say('findingCard.clearing-up', { clear: f.clear })}
            </p>
          )}
        </>
      )}
      {f.mends.length > 0 && (
        <p className="ways">
          {f.mends.map((m) => (
            <Button
              key={m.label}
              variant="outline-primary"
              onClick={() => onMend(m.change, m.label)}
            >
              {m.label}
              {m.after && m.change.kind !== 'watch' && (
                <span className="small">
                  {' '}
                  {say('findingCard.then', { toLowerCase: verdictWords[m.after].toLowerCase() })}
                </span>
              )}
            </Button>
          ))}
        </p>
      )}
      <p className="finding-line">
        {!shown && (
          <Button variant="plain" className="small" onClick={() => setMore(true)}>
            {say('findingCard.gear-first-aid-clearing-up')}
          </Button>
        )}
        {f.can_lower && !lowering && (
          <Button variant="plain" className="small" onClick={() => setLowering(true)}>
            {say('findingCard.lower-it-by-one-level-it')}
          </Button>
        )}
      </p>
      {lowering && (
        <Reason
          id={`why-${f.rule}-${f.steps[0]?.id}`}
          ask={say('findingCard.say-why-it-is-printed-on')}
          keep={say('findingCard.lower-it')}
          least={least}
          onKeep={(why) => onLower(f, why)}
          onLeave={() => setLowering(false)}
        />
      )}
    </article>
  );
}
