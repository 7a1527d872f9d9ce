import Button from 'react-bootstrap/Button';
import { freshID } from '../draft/document';
import { say } from '../words';
import { Band, useEditing } from '../draft/fields';
import { QuestionRow } from './QuestionRow';

/** What children are asked, before, during and after. */
export function PlanQuestions() {
  const { doc, set } = useEditing();
  const questions = doc.questions ?? [];
  return (
    <Band
      title={say('plan.questions')}
      aside={
        <Button
          variant="outline-primary"
          onClick={() =>
            set(
              ['questions'],
              [
                ...questions,
                { id: freshID('question', questions), when: 'before', kind: 'text', text: {} },
              ],
            )
          }
        >
          {say('plan.add-a-question')}
        </Button>
      }
    >
      {questions.map((q, i) => (
        <QuestionRow
          key={q.id}
          question={q}
          at={i}
          onRemove={() =>
            set(
              ['questions'],
              questions.filter((__, k) => k !== i),
              say('plan.took-out-a-question'),
            )
          }
        />
      ))}
      <p className="hint small">{say('plan.a-prediction-is-saved-before-the')}</p>
    </Band>
  );
}
