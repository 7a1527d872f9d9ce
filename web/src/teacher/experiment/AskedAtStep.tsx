import type { Replace, Review } from '../draft/useDraft';
import { ProblemLine } from '../parts/states';
import { QuestionCard } from './QuestionCard';
import { useAnswers } from './useAnswers';

/** What the safety rules ask about the words of a step. */
export function AskedAtStep({
  at,
  review,
  replace,
}: {
  at: number;
  review: Review | undefined;
  replace: Replace;
}) {
  const { take, other, problem } = useAnswers(replace);
  const asked = (review?.safety ?? []).filter((f) => f.said?.path.startsWith(`/steps/${at}/`));
  return (
    <>
      {asked.map((f) => (
        <QuestionCard
          key={f.said!.key + f.said!.concept}
          finding={f}
          onMend={(change, words) => void take(change, words)}
          onOther={other}
        />
      ))}
      <ProblemLine error={problem} />
    </>
  );
}
