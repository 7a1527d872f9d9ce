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
    /** Lasts as long as was typed: its hands, or the wait that it is. */
    lastsFor(i: number, duration: string) {
      const s = steps[i];
      const next =
        s.kind === 'wait' ? { ...s, wait: { ...s.wait, for: duration } } : { ...s, duration };
      put(
        steps.map((x, k) => (k === i ? next : x)),
        say('steps.lasts', { name: name(i), duration }),
      );
    },
    /** Begins a part of the work at a step; where there was none, what stands before is one too. Gives the place of its name. */
    part(i: number): string {
      const ids = steps.map((s) => s.id);
      const sections = doc.sections ?? [];
      const at = sections.findIndex((x) => x.steps.includes(ids[i]));
      const fresh = (others: typeof sections, own: string[]) => ({
        id: freshID('part', others),
        title: {},
        steps: own,
      });
      let next: typeof sections;
      if (at < 0) {
        const end = ids.findIndex((id, k) => k > i && sections.some((x) => x.steps.includes(id)));
        const before = sections.length === 0 && i > 0 ? [fresh([], ids.slice(0, i))] : sections;
        const own = ids.slice(i, end < 0 ? undefined : end);
        const earlier = before.filter((x) => ids.indexOf(x.steps[0]) < i);
        next = [...earlier, fresh(before, own), ...before.filter((x) => !earlier.includes(x))];
      } else {
        const { steps: own } = sections[at];
        const cut = own.indexOf(ids[i]);
        if (cut === 0) return `/sections/${at}/title`; // it begins here already
        next = [
          ...sections.slice(0, at),
          { ...sections[at], steps: own.slice(0, cut) },
          fresh(sections, own.slice(cut)),
          ...sections.slice(at + 1),
        ];
      }
      replace({ ...doc, sections: next }, say('steps.began-a-part', { name: name(i) }), doc);
      return `/sections/${next.findIndex((x) => x.steps[0] === ids[i])}/title`;
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
