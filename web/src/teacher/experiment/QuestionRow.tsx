import Button from 'react-bootstrap/Button';
import type { Doc } from '../draft/document';
import { ChoiceField, PlainField, Remove, TickField, useEditing, WordsField } from './fields';
import { useRowKeys } from '../../ui/useRowKeys';
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
  ['number', say('questionRow.a-number')],
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
        <div className="field-150">
          <ChoiceField
            label={say('assessment.when')}
            hideLabel
            path={['questions', at, 'when']}
            value={q.when}
            options={whens}
          />
        </div>
        <div className="field-150">
          <ChoiceField
            label={say('questionRow.kind')}
            hideLabel
            path={['questions', at, 'kind']}
            value={q.kind}
            options={kinds}
          />
        </div>
        <WordsField label={name} hideLabel path={['questions', at, 'text']} value={q.text} />
        {q.kind === 'number' && (
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
  const { doc, set } = useEditing();
  const path = ['questions', at, 'options'];
  const options = question.options ?? [];
  const { keys, takeOut } = useRowKeys(options.length);
  const add = (
    <Button variant="plain" onClick={() => set(path, [...options, {}])}>
      {say('questionRow.add-an-option')}
    </Button>
  );
  if (options.length === 0) {
    return (
      <div className="small d-flex align-items-center gap-5 ms-3 mb-3">
        <span className="hint">
          {(doc.conditions ?? []).length > 1
            ? say('questionRow.the-options-are-the-conditions')
            : say('questionRow.it-has-no-options-yet')}{' '}
          {add}
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
  return (
    <div className="ms-3 mb-3">
      {options.map((o, i) => (
        <div key={keys[i]} className="field-row">
          <WordsField
            label={say('questionRow.option-of-question', { value: i + 1, value2: at + 1 })}
            hideLabel
            path={[...path, i]}
            value={o}
          />
          <div className="flex-none">
            <Remove
              what={say('questionRow.option', { value: i + 1 })}
              onRemove={() => (
                takeOut(i),
                set(
                  path,
                  options.filter((_, k) => k !== i),
                  say('questionRow.took-out-an-option'),
                )
              )}
            />
          </div>
        </div>
      ))}
      {add}
    </div>
  );
}
