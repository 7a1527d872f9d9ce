import Button from 'react-bootstrap/Button';
import { freshID } from '../draft/document';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import { Band, useEditing } from '../draft/fields';
import { QuestionRow } from './QuestionRow';

const frames: Record<Review['predictions'][number]['frame'], string> = {
  order: say('plan.a-ranking'),
  number: say('questionRow.a-number'),
  'if-then': say('plan.if-then'),
  own: say('questionRow.own-words'),
};

/** What children are asked, before, during and after; a prediction is made from the plan by one press. */
export function PlanQuestions({ review }: { review: Review | undefined }) {
  const { doc, set } = useEditing();
  const questions = doc.questions ?? [];
  const predicted = questions.some((q) => q.when === 'before');
  return (
    <Band
      title={say('plan.questions')}
      aside={
        <Button
          id="f-questions-add"
          variant="outline-primary"
          onClick={() =>
            set(
              ['questions'],
              [
                ...questions,
                {
                  id: freshID('question', questions),
                  when: predicted ? 'after' : 'before',
                  kind: 'text',
                  text: {},
                },
              ],
            )
          }
        >
          {say('plan.add-a-question')}
        </Button>
      }
    >
      {!predicted && review && (
        <p className="plan-starts">
          <span>{say('plan.before-they-start-they-say')}</span>
          {review.predictions.map(({ frame, ...q }) => (
            <Button
              key={frame}
              variant="outline-primary"
              size="sm"
              onClick={() =>
                set(
                  ['questions'],
                  [{ ...q, when: 'before' }, ...questions],
                  say('plan.asked-for-a-prediction'),
                )
              }
            >
              {frames[frame]}
            </Button>
          ))}
        </p>
      )}
      {questions.map((q, i) => (
        <QuestionRow
          key={q.id}
          question={q}
          at={i}
          onRemove={() =>
            set(
              ['questions'],
              questions.filter((x) => x !== q),
              say('plan.took-out-a-question'),
            )
          }
        />
      ))}
      <p className="hint small">{say('plan.a-prediction-is-saved-before-the')}</p>
    </Band>
  );
}
