import { TickList, useEditing } from '../draft/fields';
import { say } from '../words';

/** Which steps belong to a part of the work, in the order in which they are done. */
export function StepsOf({ path, value }: { path: (string | number)[]; value: string[] }) {
  const { doc, set, language } = useEditing();
  const steps = doc.steps ?? [];
  return (
    <TickList
      legend={say('parts.its-steps')}
      path={path}
      value={value}
      setter={(at, ticked) =>
        set(
          at,
          steps.map((x) => x.id).filter((id) => (ticked as string[]).includes(id)),
        )
      }
      options={steps.map((x, k): [string, string] => [x.id, `${k + 1} ${x.title[language] ?? ''}`])}
    />
  );
}
