import { useAddress } from '../frame/address';
import type { Replace, Review } from '../draft/useDraft';
import type { Doc } from '../draft/document';
import { useEditing, useGoTo } from '../draft/fields';
import { AroundBand } from './AroundBand';
import { ClaimsBand } from './ClaimsBand';
import { PlanChange } from './PlanChange';
import { PlanConditions } from './PlanConditions';
import { PlanQuestion } from './PlanQuestion';
import { PlanQuestions } from './PlanQuestions';
import { PlanWays } from './PlanWays';

const written = (words: Record<string, string> | undefined) =>
  Object.values(words ?? {}).some(Boolean);

/** Nothing but a question can be asked of a design in which nothing is written. */
const isBlank = (d: Doc) =>
  ![d.question, d.title, d.changed?.name, d.measured?.[0]?.name].some(written) &&
  ![d.conditions, d.steps, d.readings].some((list) => list?.length);

/** The experiment said in sentences with blanks, from its question to what is asked of children. What cannot be said yet is not asked. */
export function Plan({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc } = useEditing();
  const [params] = useAddress();
  useGoTo(params.get('at') ?? '');
  return (
    <main className="work">
      <PlanQuestion blank={isBlank(doc)} />
      {!isBlank(doc) && (
        <>
          <PlanWays />
          <PlanChange review={review} replace={replace} />
          <PlanConditions replace={replace} />
          <ClaimsBand review={review} />
          <PlanQuestions review={review} />
          <AroundBand />
        </>
      )}
    </main>
  );
}
