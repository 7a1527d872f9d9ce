import FormCheckInput from 'react-bootstrap/FormCheckInput';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

type Fact = WorkProps['sheet']['facts'][number];

/** One question about the home, and what its answer changes. */
export function HomeFact({ state, sheet, book, fact }: WorkProps & { fact: Fact }) {
  const t = useWords();
  const said = book.fact(fact.id);
  return (
    <fieldset className="field mt-3">
      <legend className="usual">{fact.ask}</legend>
      {(['yes', 'no'] as const).map((answer) => (
        <div key={answer} className="row-48">
          <FormCheckInput
            type="radio"

            name={fact.id}
            id={`${fact.id}-${answer}`}
            checked={said === answer}
            onChange={() =>
              void state.add(sheet.assignment, { kind: 'fact', refers: fact.id, choice: [answer] })
            }
          />
          <label htmlFor={`${fact.id}-${answer}`}>{t(answer)}</label>
        </div>
      ))}
      {said === fact.raises && <p className="doubt">{fact.do}</p>}
    </fieldset>
  );
}

/** What the facts of this home make of a step. */
export function factsAt({ sheet, book }: Pick<WorkProps, 'sheet' | 'book'>, step: string) {
  const here = sheet.facts.filter((f) => f.steps.some((s) => s.step === step));
  const raised = here
    .filter((f) => book.fact(f.id) === f.raises)
    .flatMap((f) => f.steps.filter((s) => s.step === step).map((s) => s.verdict));
  return {
    here,
    open: here.some((f) => book.fact(f.id) === undefined),
    closed: raised.includes('not-at-home'),
    adult: raised.find((v) => v === 'adult-does') ?? raised.find((v) => v === 'adult-near'),
  };
}
