import type { Replace, Review } from '../draft/useDraft';
import { say } from '../words';
import { ClaimsBand } from './ClaimsBand';
import { Band, useEditing, WordsField } from '../draft/fields';
import { ModelBand, ReducedBand } from './ModelBand';
import { PlanChange } from './PlanChange';
import { PlanConditions } from './PlanConditions';
import { PlanQuestion } from './PlanQuestion';
import { PlanQuestions } from './PlanQuestions';
import { TeachingBand } from './TeachingBand';

/** Turns a question into a comparison: what is changed, measured, kept; the conditions; what is asked. */
export function Plan({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc } = useEditing();
  return (
    <main className="work">
      <PlanQuestion />
      <PlanChange review={review} />
      <PlanConditions replace={replace} />
      <ClaimsBand review={review} />
      <PlanQuestions />
      <ModelBand />
      <ReducedBand />
      <TeachingBand />
      <Band title={say('plan.background-for-you')}>
        <WordsField
          label={say('plan.background')}
          hideLabel
          path={['background']}
          value={doc.background}
          lines={3}
        />
      </Band>
    </main>
  );
}
