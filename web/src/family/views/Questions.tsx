import Button from 'react-bootstrap/Button';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import FormControl from 'react-bootstrap/FormControl';
import type { HomeState, Sheet } from '../phone/useHome';
import type { Understand } from '../core';
import type { Bundle } from '../phone/useHome';
import { useRemembered } from '../phone/useRemembered';
import type { TFunction } from 'i18next';
import { useWords } from '../words';

export type Question = Sheet['questions'][number];

export interface Given {
  text: string;
  choice: string[];
}

const draftKey = (assignment: string, id: string) => `draft/${assignment}/${id}`;

/** A half-written answer that returns after the page was killed. */
export function useDraft(state: HomeState, assignment: string, id: string, first: Given) {
  const key = draftKey(assignment, id);
  const [given, set] = useRemembered<Given>(state, key);
  return [given ?? first, set, () => void state.keep(key, undefined)] as const;
}

/** Whether something was answered; an order that nobody touched was not put in order yet. */
export const answered = (question: Question, given: Given) =>
  question.kind === 'choice' || question.kind === 'order'
    ? given.choice.length > 0
    : given.text.trim() !== '';

interface Props {
  question: Question;
  value: Given;
  onChange: (v: Given) => void;
  core: Understand | undefined;
  writer: Bundle;
}

/** One question with its kind of answer. */
export function QuestionField({ question, value, onChange, core, writer }: Props) {
  const t = useWords();
  const id = `question-${question.id}`;
  if (question.kind === 'order') {
    const order = value.choice.length ? value.choice : question.options.map((o) => o.id);
    const name = (option: string) => textOf(question, option);
    const move = (i: number, by: number) => {
      const next = [...order];
      [next[i], next[i + by]] = [next[i + by], next[i]];
      onChange({ ...value, choice: next });
    };
    return (
      <fieldset className="card-paper">
        <legend className="larger fw-bold">{question.text}</legend>
        <p className="hint">{t(question.least ? 'leastFirst' : 'mostFirst')}</p>
        <ol className="list-unstyled p-0 m-0">
          {order.map((o, i) => (
            <li className="row-48 flex-wrap" key={o}>
              <span className="what">
                {i + 1} <strong>{name(o)}</strong>
              </span>
              <Button
                variant="outline-primary"
                disabled={i === 0}
                onClick={() => move(i, -1)}
                aria-label={`${name(o)}: ${t('up')}`}
              >
                {t('up')}
              </Button>
              <Button
                variant="outline-primary"
                disabled={i === order.length - 1}
                onClick={() => move(i, 1)}
                aria-label={`${name(o)}: ${t('down')}`}
              >
                {t('down')}
              </Button>
            </li>
          ))}
        </ol>
        {value.choice.length === 0 && (
          <Button variant="outline-primary" onClick={() => onChange({ ...value, choice: order })}>
            {t('myOrder')}
          </Button>
        )}
      </fieldset>
    );
  }
  if (question.kind === 'choice') {
    return (
      <fieldset className="card-paper">
        <legend className="larger fw-bold">{question.text}</legend>
        {question.options.map((o) => (
          <div className="row-48" key={o.id}>
            <FormCheckInput
              type="radio"

              name={id}
              id={`${id}-${o.id}`}
              checked={value.choice[0] === o.id}
              onChange={() => onChange({ ...value, choice: [o.id] })}
            />
            <label htmlFor={`${id}-${o.id}`}>{o.text}</label>
          </div>
        ))}
      </fieldset>
    );
  }
  return (
    <div className="card-paper field">
      <label htmlFor={id} className="fw-bold">
        {question.text}
      </label>
      {question.kind !== 'text' ? (
        <>
          <div className="value-row">
            <FormControl
              id={id}

              inputMode="decimal"
              maxLength={200}
              value={value.text}
              onChange={(e) => onChange({ ...value, text: e.target.value })}
            />
            <span className="unit">{question.unit}</span>
          </div>
          <NumberRead
            question={question}
            typed={value.text}
            core={core}
            writer={writer}
            onTake={(text) => onChange({ ...value, text })}
          />
        </>
      ) : (
        <FormControl
          id={id}
          as="textarea"
          rows={3}
          maxLength={4000}
          value={value.text}
          onChange={(e) => onChange({ ...value, text: e.target.value })}
        />
      )}
    </div>
  );
}

/** What the phone makes of a number, with what would answer where it asks. */
function NumberRead({
  question,
  typed,
  core,
  writer,
  onTake,
}: {
  question: Question;
  typed: string;
  core: Understand | undefined;
  writer: Bundle;
  onTake: (text: string) => void;
}) {
  const t = useWords();
  const reply = typed.trim()
    ? core?.({
        typed,
        language: writer.home.locale,
        measures: writer.class.unit_system,
        asked: { unit: question.unit || '1' },
      })
    : undefined;
  if (!reply) return null;
  return (
    <p className="second mt-1 mb-0" aria-live="polite">
      {reply.echo && reply.confirm && t('weRead', { typed, value: reply.echo })}{' '}
      {reply.messages?.join(' ')}{' '}
      {reply.offers?.map((text) => (
        <Button
          key={text}

          variant="outline-primary"
          onClick={() => onTake(text)}
        >
          {text}
        </Button>
      ))}
    </p>
  );
}

const textOf = (question: Question | undefined, option: string) =>
  question?.options.find((o) => o.id === option)?.text ?? option;

/** An answer said back, in the language the page is in now. */
export const said = (
  t: TFunction,
  question: Question | undefined,
  given: { text?: string; choice?: string[] },
) =>
  [
    given.choice?.map((o) => textOf(question, o)).join(', '),
    given.text && t('quoted', { text: given.text }),
  ]
    .filter(Boolean)
    .join(' ');
