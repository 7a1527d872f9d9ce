import type { Doc } from '../draft/document';
import { ChoiceField, PlainField, Remove, TickField, useEditing, WordsField } from './fields';

type Question = NonNullable<Doc['questions']>[number];

const whens: [string, string][] = [['before', 'before (predict)'], ['while', 'in a step'], ['after', 'afterwards']];
const kinds: [string, string][] = [['order', 'put in order'], ['choice', 'choose one'], ['number', 'a number'], ['text', 'own words']];

/** One question: when and how it is asked, with its options or its unit. */
export function QuestionRow({ question: q, at, onRemove }: { question: Question; at: number; onRemove: () => void }) {
  const name = `Question ${at + 1}`;
  return (
    <>
      <div className="field-row">
        <div style={{ flex: '0 0 150px' }}>
          <ChoiceField label="When" hideLabel path={['questions', at, 'when']} value={q.when} options={whens} />
        </div>
        <div style={{ flex: '0 0 150px' }}>
          <ChoiceField label="Kind" hideLabel path={['questions', at, 'kind']} value={q.kind} options={kinds} />
        </div>
        <WordsField label={name} hideLabel path={['questions', at, 'text']} value={q.text} />
        {q.kind === 'number' && (
          <div style={{ flex: '0 0 110px' }}>
            <PlainField label={`Unit of question ${at + 1}`} hideLabel hint="unit, such as %" path={['questions', at, 'unit']} value={q.unit} />
          </div>
        )}
        <div style={{ flex: '0 0 auto' }}>
          <Remove what={`question ${at + 1}`} onRemove={onRemove} />
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
  const add = <button type="button" className="btn-plain" onClick={() => set(path, [...options, {}])}>Add an option</button>;
  if (options.length === 0) {
    return (
      <div className="small" style={{ display: 'flex', gap: 28, alignItems: 'center', minHeight: 36, margin: '0 0 10px 12px' }}>
        <span className="hint">
          {(doc.conditions ?? []).length > 1 ? 'The options are the conditions.' : 'It has no options yet.'} {add}
        </span>
        <TickField label={question.kind === 'order' ? 'least first' : 'the least is asked for'} path={['questions', at, 'least']} value={question.least} />
      </div>
    );
  }
  return (
    <div style={{ margin: '0 0 10px 12px' }}>
      {options.map((o, i) => (
        <div key={i} className="field-row">
          <WordsField label={`Option ${i + 1} of question ${at + 1}`} hideLabel path={[...path, i]} value={o} />
          <div style={{ flex: '0 0 auto' }}>
            <Remove what={`option ${i + 1}`} onRemove={() => set(path, options.filter((_, k) => k !== i), 'Took out an option')} />
          </div>
        </div>
      ))}
      {add}
    </div>
  );
}
