import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Reading, Take } from '../draft/document';
import { say } from '../words';
import { TickList, useEditing } from '../draft/fields';

/** The parts of a take that are named, in one string; a part left out means all of it. */
const keyOf = (t: Take) =>
  [t.reading, t.time, t.condition, t.object, t.stage, t.trial].map((p) => p ?? '').join('|');

/** What is asked for in a step: whole readings, at one of their times, or in one condition, of one object or at one stage alone. */
export function Takes({ at }: { at: number }) {
  const { doc, set, language } = useEditing();
  const taken = doc.steps![at].takes ?? [];
  const [apart, setApart] = useState(taken.some((t) => t.condition || t.trial || t.object));
  const conditions = doc.conditions ?? [];
  const stages = doc.stages ?? [];
  const objects = (doc.objects ?? []).flatMap((o) =>
    Array.from({ length: o.count }, (_, k) => ({
      id: `${o.id}-${k + 1}`,
      word: { [language]: `${o.what[language] ?? ''} ${k + 1}` },
    })),
  );
  /** A reading's takes, each part whole or named. */
  const offered = (r: Reading): Take[] => {
    const whole = (r.times?.length ? r.times : ['']).map((time): Take => ({
      reading: r.id,
      ...(time && { time }),
    }));
    const staged = r.per?.includes('stage')
      ? whole.flatMap((t) => [t, ...stages.map((s): Take => ({ ...t, stage: s.id }))])
      : whole;
    if (!apart) return staged;
    const split = (list: Take[], part: 'condition' | 'object', ids: string[]) =>
      r.per?.includes(part)
        ? list.flatMap((t) => [t, ...ids.map((id): Take => ({ ...t, [part]: id }))])
        : list;
    return split(
      split(
        staged,
        'condition',
        conditions.map((c) => c.id),
      ),
      'object',
      objects.map((o) => o.id),
    );
  };
  const takes = (doc.readings ?? []).flatMap(offered);
  const written = taken.filter((t) => !takes.some((o) => keyOf(o) === keyOf(t)));
  const all = [...takes, ...written]; // what was written elsewhere stays, whatever it names
  const words = (t: Take) => {
    const r = doc.readings?.find((x) => x.id === t.reading);
    const c = conditions.find((x) => x.id === t.condition);
    return [
      `${r?.name[language] || r?.symbol || t.reading}${t.time ? say('stepSheet.at', { t: t.time }) : ''}`,
      c && (c.name[language] || c.id),
      t.object && (objects.find((o) => o.id === t.object)?.word[language] ?? t.object),
      t.stage && (stages.find((x) => x.id === t.stage)?.word[language] || t.stage),
      t.trial && say('takes.try', { n: t.trial }),
    ]
      .filter(Boolean)
      .join(', ');
  };
  return (
    <>
      <TickList
        legend={say('stepSheet.measured-in-this-step')}
        path={['steps', at, 'takes']}
        value={taken.map(keyOf)}
        options={all.map((t): [string, string] => [keyOf(t), words(t)])}
        setter={(path, value) =>
          set(
            path,
            (value as string[]).map((k) => all.find((t) => keyOf(t) === k)!),
          )
        }
      />
      {!apart &&
        (conditions.length > 1 || objects.length > 1) &&
        doc.readings?.some((r) => r.per?.includes('condition') || r.per?.includes('object')) && (
          <p>
            <Button variant="plain" className="small" onClick={() => setApart(true)}>
              {say('takes.one-condition-alone')}
            </Button>
          </p>
        )}
    </>
  );
}
