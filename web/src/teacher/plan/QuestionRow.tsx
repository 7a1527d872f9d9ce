import type { Doc } from '../draft/document';
import { ChoicesField } from '../draft/ChoicesField';
import {
  ChoiceField,
  PlainField,
  Remove,
  TickField,
  useEditing,
  WordsField,
} from '../draft/fields';
import { say } from '../words';

type Question = NonNullable<Doc['questions']>[number];

const whens: [string, string][] = [
  ['before', say('questionRow.before-predict')],
  ['while', say('questionRow.in-a-step')],
  ['after', say('questionRow.afterwards')],
];
const kinds: [string, string][] = [
  ['order', say('questionRow.put-in-order')],
  ['choice', say('questionRow.choose-one')],
  ['quantity', say('questionRow.a-number')],
  ['text', say('questionRow.own-words')],
];

/** One question: when and how it is asked, with its options or its unit. */
export function QuestionRow({
  question: q,
  at,
  onRemove,
}: {
  question: Question;
  at: number;
  onRemove: () => void;
}) {
  const name = say('questionRow.question', { value: at + 1 });
  return (
    <>
      <div className="field-row">
        <div className="flex-none">
          <ChoiceField
            label={say('assessment.when')}
            hideLabel
            path={['questions', at, 'when']}
            value={q.when}
            options={whens}
          />
        </div>
        <div className="flex-none">
          <ChoiceField
            label={say('questionRow.kind')}
            hideLabel
            path={['questions', at, 'kind']}
            value={q.kind}
            options={kinds}
          />
        </div>
        <WordsField label={name} hideLabel path={['questions', at, 'text']} value={q.text} />
        {q.kind === 'quantity' && (
          <div className="field-110">
            <PlainField
              label={say('questionRow.unit-of-question', { value: at + 1 })}
              hideLabel
              hint={say('questionRow.unit-such-as')}
              path={['questions', at, 'unit']}
              value={q.unit}
            />
          </div>
        )}
        <div className="flex-none">
          <Remove what={say('questionRow.question-2', { value: at + 1 })} onRemove={onRemove} />
        </div>
      </div>
      {(q.kind === 'choice' || q.kind === 'order') && <Options question={q} at={at} />}
    </>
  );
}

/** The options of a question; without any they are the conditions. */
function Options({ question, at }: { question: Question; at: number }) {
  const { doc } = useEditing();
  const options = question.options ?? [];
  const choices = (
    <ChoicesField
      path={['questions', at, 'options']}
      choices={options}
      nameOf={(n) => say('questionRow.option-of-question', { value: n, value2: at + 1 })}
      one={(n) => say('questionRow.option', { value: n })}
      add={say('questionRow.add-an-option')}
      tookOut={say('questionRow.took-out-an-option')}
    />
  );
  if (options.length > 0) return <div className="ms-3 mb-3">{choices}</div>;
  return (
    <div className="small d-flex align-items-center gap-5 ms-3 mb-3">
      <span className="hint">
        {(doc.conditions ?? []).length > 1
          ? say('questionRow.the-options-are-the-conditions')
          : say('questionRow.it-has-no-options-yet')}{' '}
        {choices}
      </span>
      <TickField
        label={
          question.kind === 'order'
            ? say('questionRow.least-first')
            : say('questionRow.the-least-is-asked-for')
        }
        path={['questions', at, 'least']}
        value={question.least}
      />
    </div>
  );
}
