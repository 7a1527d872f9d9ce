import type { Book } from './book';
import type { Sheet } from './useHome';

export type Activity = Sheet['activities'][number];

/** Whether the home does it: its guardian agreed to it. */
export const agreed = (sheet: Sheet, a: Activity) =>
  !(sheet.permission.without ?? []).includes(a.id);

const activityOf = (sheet: Sheet, step: string): Activity | undefined =>
  (sheet.activities ?? []).find((a) => a.steps.includes(step));

/** How far the home is with an activity. */
export function stateOf(sheet: Sheet, book: Book, a: Activity) {
  if (!agreed(sheet, a)) return 'not-agreed';
  const done = a.steps.filter((s) => book.done(s)).length;
  return done === 0 ? 'not-begun' : done < a.steps.length ? 'begun' : 'done';
}

/** The work as if it were one activity alone: its steps, its needs, its adult jobs. */
export function alone(sheet: Sheet, a: Activity): Sheet {
  const ours = (step: string) => a.steps.includes(step);
  return {
    ...sheet,
    steps: sheet.steps.filter((s) => ours(s.id)),
    needs: sheet.needs.filter((n) => a.needs.includes(n.id)),
    adult_jobs: sheet.adult_jobs.filter((j) => ours(j.step)),
  };
}

/** The piece of work in which a step is done, by its number among all steps, and its number there. */
export function partAt(sheet: Sheet, n: number): { part: Sheet; number: number } {
  const step = sheet.steps[n - 1];
  const of = activityOf(sheet, step.id);
  if (!of) return { part: sheet, number: n };
  const part = alone(sheet, of);
  return { part, number: part.steps.indexOf(step) + 1 };
}

/** The page of a step by its number in its piece of work; after the last one, what comes then. */
export function pageOf(sheet: Sheet, part: Sheet, number: number): string {
  if (number > part.steps.length) return part === sheet ? 'result' : 'activities';
  return `step/${sheet.steps.indexOf(part.steps[number - 1]) + 1}`;
}

/** The number among all steps of the first that is not done yet, in one activity or in all of them. */
export function undone(sheet: Sheet, book: Book, a?: Activity): number {
  const first = sheet.steps.find((s) => !book.done(s.id) && (!a || a.steps.includes(s.id)));
  const step = first ?? sheet.steps.find((s) => a?.steps.includes(s.id));
  return step ? sheet.steps.indexOf(step) + 1 : 1;
}
