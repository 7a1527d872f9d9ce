import { useState } from 'react';
import type { Schemas } from '../../api/client';
import Button from 'react-bootstrap/Button';
import { Reason } from '../parts/Reason';
import { Verdict } from '../parts/Verdict';
import type { Finding } from './FindingCard';
import { say } from '../words';

/** How many questions stand at once. */
export const mostQuestions = 7;

interface Props {
  finding: Finding;
  onMend: (change: Schemas['Change'], words: string) => void;
  onOther: (finding: Finding, reason: string) => void;
  /** Leads to the step; left out where the question stands at it. */
  onStep?: (id: string) => void;
}

/** What a sentence seems to say and nothing ticks: one question, judged as the worst until it is answered. */
export function QuestionCard({ finding: f, onMend, onOther, onStep }: Props) {
  const [asked, setAsked] = useState(false); // what else it means
  const said = f.said!;
  const at = said.sentence.indexOf(said.words);
  const place = said.path.split('/')[1];
  const other = () => (said.least > 0 ? setAsked(true) : onOther(f, ''));
  return (
    <article
      className={`card-paper finding question v-${f.verdict}`}
      tabIndex={-1}
      data-finding={`said-${said.concept}-${said.key}`}
    >
      <h3>
        {said.question}
        {onStep && (
          <span className="second small">
            {' '}
            ·{' '}
            {place === 'steps'
              ? f.steps.map((s) => (
                  <Button key={s.id} variant="plain" onClick={() => onStep(s.id)}>
                    {say('findingCard.step', { number: s.number })}
                  </Button>
                ))
              : place}
          </span>
        )}
      </h3>
      <p className="m-0">
        <q lang={said.language}>
          {at < 0 ? (
            said.sentence
          ) : (
            <>
              {said.sentence.slice(0, at)}
              <mark>{said.words}</mark>
              {said.sentence.slice(at + said.words.length)}
            </>
          )}
        </q>
      </p>
      <p className="small second mt-1 mb-0">
        {say('questionCard.until-it-is-answered-it-counts')} <Verdict v={f.verdict} />. {f.why}
      </p>
      <p className="ways">
        {f.mends.map((m) => (
          <Button key={m.label} variant="outline-primary" onClick={() => onMend(m.change, m.label)}>
            {m.label}
          </Button>
        ))}
        {said.least >= 0 && !asked && (
          <Button variant="outline-primary" onClick={other}>
            {say('questionCard.no-it-means-something-else')}
          </Button>
        )}
      </p>
      {said.least < 0 && (
        <p className="small second">{say('questionCard.words-like-these-are-not-taken')}</p>
      )}
      {asked && (
        <Reason
          id={`other-${said.key}`}
          ask={say('questionCard.what-does-it-mean-it-is')}
          keep={say('questionCard.keep-it-so')}
          least={said.least}
          onKeep={(why) => onOther(f, why)}
          onLeave={() => setAsked(false)}
        />
      )}
    </article>
  );
}
