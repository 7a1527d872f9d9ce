import { type ComponentProps, type RefObject, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import Button from 'react-bootstrap/Button';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import type { Schemas } from '../../api/client';
import { Loading, ProblemLine } from '../parts/states';
import { Verdict, verdicts, verdictWords } from '../parts/Verdict';
import { Assessment } from './Assessment';
import { useEditing } from '../draft/fields';
import { FindingCard, type Finding } from './FindingCard';
import { GuardianPreview } from './GuardianPreview';
import { OwnCautions } from './OwnCautions';
import { mostQuestions, QuestionCard } from './QuestionCard';
import { useAnswers } from './useAnswers';
import type { Replace, Review } from '../draft/useDraft';
import { inOwn } from '../languages';
import { stepAlong, useKeys } from '../frame/keys';
import { say } from '../words';

type Order = Schemas['OrderView'];

/** What could hurt, who must be there, and is anything kept from going home? */
export function Safety({
  id,
  review,
  replace,
}: {
  id: string;
  review: Review | undefined;
  replace: Replace;
}) {
  const navigate = useNavigate();
  const { take, other, problem, by } = useAnswers(replace);
  const [only, setOnly] = useState<string>();
  const [step, setStep] = useState<string>();
  const list = useRef<HTMLDivElement>(null);

  const { lower, raise } = useLowering(by);
  useCardKeys(list);

  if (!review) return <Loading what={say('safety.the-safety-check')} />;
  const toStep = (step: string) => void navigate(`/experiments/${id}/steps?at=${step}`);
  const errors = review.order.filter((o) => o.kind === 'error');
  const shown = review.safety.filter(
    (f) => (!only || f.verdict === only) && (!step || f.steps.some((x) => x.id === step)),
  );
  return (
    <main className="work safety">
      <Lead review={review} />
      <ProblemLine error={problem} />
      <div className="safety-columns">
        <Filters review={review} only={only} onOnly={setOnly} step={step} onStep={setStep} />
        <section aria-label={say('safety.findings')} ref={list}>
          {errors.map((o) => (
            <OrderCard key={o.rule + o.step + o.need} line={o} onMend={take} onStep={toStep} />
          ))}
          <Asked
            findings={shown.filter((f) => f.said)}
            onMend={(change, words) => void take(change, words)}
            onOther={other}
            onStep={toStep}
          />
          {shown
            .filter((f) => !f.said && (f.verdict !== 'care' || f.was))
            .map((f) => (
              <FindingCard
                key={f.rule + f.case + f.need + f.verdict}
                finding={f}
                open={review.safety.length < 8}
                least={review.least_reason}
                onMend={(change, words) => void take(change, words)}
                onLower={lower}
                onRaise={raise}
                onStep={toStep}
              />
            ))}
          <CareList
            findings={shown.filter((f) => f.verdict === 'care' && !f.was && !f.said)}
            onStep={toStep}
          />
          {(only || step) && shown.length === 0 && (
            <p className="second">
              {say('safety.nothing-here', {
                value: only ? say('safety.is', { verdict: verdictWords[only].toLowerCase() }) : '',
              })}
            </p>
          )}
          <OwnCautions />
          <Assessment id={id} by={by} />
          <OrderNotes order={review.order} />
        </section>
        <GuardianPreview id={id} review={review} />
      </div>
    </main>
  );
}

/** Walks the cards by keys; 1 to 3 carry out a card's ways. */
function useCardKeys(list: RefObject<HTMLElement | null>) {
  useKeys((key) => {
    const cards = [...(list.current?.querySelectorAll<HTMLElement>('article') ?? [])];
    const here = cards.findIndex((c) => c.contains(document.activeElement));
    if (stepAlong(key, cards, here)) return true;
    if (here < 0 || !/^[1-3]$/.test(key)) return false;
    cards[here]
      .querySelectorAll<HTMLButtonElement>('.ways .btn:not(.btn-plain)')
      .item(Number(key) - 1)
      ?.click();
    return true;
  });
}

/** Lowers a verdict with a reason, and puts it back. */
function useLowering(by: string) {
  const { doc, set } = useEditing();
  const lower = (f: Finding, reason: string) =>
    set(
      ['lowered'],
      [...(doc.lowered ?? []), { rule: f.rule, case: f.case, step: f.steps[0].id, reason, by }],
      say('safety.lowered-a-verdict'),
    );
  const raise = (f: Finding) =>
    set(
      ['lowered'],
      (doc.lowered ?? []).filter(
        (l) =>
          !(
            l.rule === f.rule &&
            (!l.case || l.case === (f.case ?? '')) &&
            f.steps.some((s) => s.id === l.step)
          ),
      ),
      say('safety.put-a-verdict-back'),
    );
  return { lower, raise };
}

/** What keeps anything from going home, and who has to be there. */
function Lead({ review }: { review: Review }) {
  const errors = review.order.filter((o) => o.kind === 'error');
  const jobs = review.guardian.adult_jobs.length;
  const kept = countOf(review, 'not-at-home');
  return (
    <p className="lead-sentence">
      {kept > 0
        ? say('safety.kept-from-homes-as-it-stands', {
            value: kept === 1 ? say('safety.one-thing-is') : say('safety.things-are', { kept }),
          })
        : ''}
      {errors.length > 0
        ? say('safety.the-order-of-steps-wants', {
            value: say('count.things', { count: errors.length }),
          })
        : ''}
      {jobs > 0
        ? say('safety.permission-names', {
            value: jobs === 1 ? say('safety.one-adult-job') : say('safety.adult-jobs', { jobs }),
            value2: jobs === 1 ? say('safety.it') : say('safety.them'),
          })
        : ''}
      {kept + errors.length + jobs === 0 && say('safety.no-adult-has-to-be-there')}
      {review.safety.length === 0 && say('safety.nothing-but-the-usual-cautions-applies')}
    </p>
  );
}

const countOf = (review: Review, v: string) => review.safety.filter((f) => f.verdict === v).length;

/** The findings by how serious they are, by step and at each age; a press shows only those. */
function Filters({
  review,
  only,
  onOnly,
  step,
  onStep,
}: {
  review: Review;
  only: string | undefined;
  onOnly: (verdict: string | undefined) => void;
  step: string | undefined;
  onStep: (id: string | undefined) => void;
}) {
  const { doc } = useEditing();
  const worst = (id: string) =>
    verdicts.find((v) =>
      review.safety.some((f) => f.verdict === v && f.steps.some((x) => x.id === id)),
    );
  return (
    <section aria-label={say('safety.by-how-serious')}>
      <h2>{say('safety.by-how-serious')}</h2>
      {verdicts.map((v) => (
        <button
          key={v}
          type="button"
          className="ladder"
          aria-pressed={only === v}
          onClick={() => onOnly(only === v ? undefined : v)}
        >
          <Verdict v={v} /> <span className="tabular">{countOf(review, v)}</span>
        </button>
      ))}
      <h2>{say('safety.by-step')}</h2>
      <div className="by-step">
        {doc.steps?.map((s, i) => (
          <button
            key={s.id}
            type="button"
            aria-pressed={step === s.id}
            aria-label={say('safety.step', {
              value: i + 1,
              value2: worst(s.id) ? verdictWords[worst(s.id)!] : say('safety.nothing-found'),
            })}
            title={inOwn(s.title)}
            onClick={() => onStep(step === s.id ? undefined : s.id)}
          >
            <span aria-hidden>{worst(s.id) ? <Verdict v={worst(s.id)!} word={false} /> : '·'}</span>
            <span aria-hidden>{i + 1}</span>
          </button>
        ))}
      </div>
      <h2>{say('safety.at-each-age')}</h2>
      <Grid>
        <tbody>
          {review.bands.map((b) => (
            <tr key={b.age_band} aria-current={b.age_band === doc.age_band || undefined}>
              <th scope="row" className={b.age_band === doc.age_band ? 'fw-bold' : 'fw-normal'}>
                {b.age_band.replace('-', '–')}
              </th>
              <td>
                <Verdict v={b.verdict} />
              </td>
            </tr>
          ))}
        </tbody>
      </Grid>
      <p className="hint small">{say('safety.the-usual-cautions-product-labels-your')}</p>
    </section>
  );
}

/** The questions, the first few until more are wanted. */
function Asked({
  findings,
  ...rest
}: { findings: Finding[] } & Omit<ComponentProps<typeof QuestionCard>, 'finding'>) {
  const [more, setMore] = useState(false);
  return (
    <>
      {findings.slice(0, more ? undefined : mostQuestions).map((f) => (
        <QuestionCard key={f.said!.key + f.said!.concept} finding={f} {...rest} />
      ))}
      {!more && findings.length > mostQuestions && (
        <Button variant="plain" onClick={() => setMore(true)}>
          {say('safety.and-more-questions', { value: findings.length - mostQuestions })}
        </Button>
      )}
    </>
  );
}

/** What is suggested about the order of steps, and which lines families get by themselves. */
function OrderNotes({ order }: { order: Order[] }) {
  const added = order.filter((o) => o.kind === 'added');
  return (
    <>
      {order
        .filter((o) => o.kind === 'suggestion')
        .map((o) => (
          <Notice key={o.rule} kind="note">
            {o.message}
          </Notice>
        ))}
      {added.length > 0 && (
        <details className="card-paper">
          <summary>{say('safety.added-by-itself-lines-on-the', { count: added.length })}</summary>
          <ul>
            {added.map((o) => (
              <li key={o.rule + o.step}>
                {o.number ? say('safety.step-2', { number: o.number }) : ''}
                {o.message}
              </li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function OrderCard({
  line,
  onMend,
  onStep,
}: {
  line: Order;
  onMend: (change: Schemas['Change'], words: string) => Promise<void>;
  onStep: (id: string) => void;
}) {
  return (
    <article className="card-paper finding order" tabIndex={-1}>
      <h3>
        {say('safety.order-of-steps')}{' '}
        <Button variant="plain" className="small" onClick={() => line.step && onStep(line.step)}>
          {say('findingCard.step', { number: line.number })}
        </Button>
      </h3>
      <p className="m-0">{line.message}</p>
      {line.mends.length > 0 && (
        <p className="ways">
          {line.mends.map((m) => (
            <Button
              key={m.label}
              variant="outline-primary"
              onClick={() => void onMend(m.change, m.label)}
            >
              {m.label}
            </Button>
          ))}
        </p>
      )}
    </article>
  );
}

/** Everything that only asks for care, one caution a line with all the things and steps it comes from. */
function CareList({ findings, onStep }: { findings: Finding[]; onStep: (id: string) => void }) {
  if (findings.length === 0) return null;
  const said = [...new Set(findings.map((f) => `${f.why} ${f.do}`))];
  return (
    <article className="card-paper finding v-care" tabIndex={-1}>
      <h3>
        <Verdict v="care" />{' '}
        <span className="second small">{say('safety.settled-by-the-usual-care-on')}</span>
      </h3>
      <ul className="cares">
        {said.map((words) => {
          const all = findings.filter((f) => `${f.why} ${f.do}` === words);
          const steps = all
            .flatMap((f) => f.steps)
            .filter((s, i, list) => list.findIndex((x) => x.id === s.id) === i)
            .sort((a, b) => a.number - b.number);
          const things = [...new Set(all.flatMap((f) => f.things))];
          return (
            <li key={words}>
              {words}
              <span className="second small">
                {' '}
                {things.length > 0 && `${things.join(', ')} · `}
                {steps.map((s, i) => (
                  <span key={s.id}>
                    {i > 0 && ' '}
                    <Button variant="plain" onClick={() => onStep(s.id)}>
                      {say('findingCard.step', { number: s.number })}
                    </Button>
                  </span>
                ))}
              </span>
            </li>
          );
        })}
      </ul>
    </article>
  );
}
