import { freshID, type Doc, type Step } from '../draft/document';
import type { Replace, Review } from '../draft/useDraft';
import { useEditing } from '../draft/fields';
import { say } from '../words';

export type Block = Review['strip']['blocks'][number];

type Group = { steps: string[] };

/** Parts and activities after steps were changed: what is gone goes, and a step that is new, or stands elsewhere, is where its neighbour is. */
function regrouped<G extends Group>(
  groups: G[] | undefined,
  steps: Step[],
  placed?: string,
): G[] | undefined {
  if (!groups) return groups;
  const at = steps.findIndex((s) => s.id === placed);
  const beside = steps[at - 1] ?? steps[at + 1];
  const joins = groups.find((g) => placed && beside && g.steps.includes(beside.id));
  return groups.map((g) => ({
    ...g,
    steps: steps
      .map((s) => s.id)
      .filter((id) => (id === placed ? g === joins : g.steps.includes(id))),
  }));
}

/** What can be done with the steps as a whole; every act says what it did and can be taken back. */
export function useSteps(replace: Replace) {
  const { doc, language } = useEditing();
  const steps = doc.steps ?? [];
  const put = (next: Step[], words: string, placed?: string) => {
    const whole: Doc = { ...doc, steps: next };
    if (doc.sections) whole.sections = regrouped(doc.sections, next, placed);
    if (doc.activities) whole.activities = regrouped(doc.activities, next, placed);
    replace(whole, words, doc);
  };
  const name = (i: number) => steps[i].title[language] || say('steps.step-2', { value: i + 1 });
  return {
    steps,
    name,
    /** Puts an empty step at a place and gives its id. */
    add(at: number): string {
      const id = freshID('step', steps);
      const step: Step = { id, kind: 'do', title: {}, text: {} };
      put([...steps.slice(0, at), step, ...steps.slice(at)], say('steps.added-a-step'), id);
      return id;
    },
    /** Takes a step out and gives the id of the one before it. */
    remove(i: number): string | undefined {
      put(
        steps.filter((__, k) => k !== i),
        say('steps.took-out-a-step'),
      );
      return steps[i - 1]?.id ?? steps[i + 1]?.id;
    },
    move(i: number, to: number) {
      if (to < 0 || to >= steps.length || to === i) return;
      const next = steps.filter((__, k) => k !== i);
      next.splice(to, 0, steps[i]);
      put(next, say('steps.moved', { name: name(i) }), steps[i].id);
    },
    copy(i: number): string {
      const id = freshID('step', steps);
      put(
        [...steps.slice(0, i + 1), { ...steps[i], id }, ...steps.slice(i + 1)],
        say('steps.copied', { name: name(i) }),
        id,
      );
      return id;
    },
    /** Makes the hands of a step last so many minutes. */
    last(i: number, minutes: number) {
      const duration = `${Math.max(1, Math.round(minutes))} min`;
      if (duration !== steps[i].duration)
        put(
          steps.map((s, k) => (k === i ? { ...s, duration } : s)),
          say('steps.lasts', { name: name(i), duration }),
        );
    },
    /** For all conditions at once, for each by itself, or for some of them. */
    lanes(i: number, conditions: string[], each: boolean) {
      put(
        steps.map((s, k) =>
          k === i
            ? {
                ...s,
                conditions: conditions.length > 0 ? conditions : undefined,
                each: each || undefined,
              }
            : s,
        ),
        say('steps.changed-lanes', { name: name(i) }),
      );
    },
  };
}

export type Steps = ReturnType<typeof useSteps>;
