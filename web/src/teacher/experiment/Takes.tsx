import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Reading, Take } from '../draft/document';
import { say } from '../words';
import { TickList, useEditing } from './fields';

/** The parts of a take that are named, in one string; a part left out means all of it. */
const keyOf = (t: Take) => [t.reading, t.time, t.condition, t.trial].map((p) => p ?? '').join('|');

/** What is asked for in a step: whole readings, at one of their times, or in one condition alone. */
export function Takes({ at }: { at: number }) {
  const { doc, set, language } = useEditing();
  const taken = doc.steps![at].takes ?? [];
  const [apart, setApart] = useState(taken.some((t) => t.condition || t.trial));
  const conditions = doc.conditions ?? [];
  const offered = (r: Reading): Take[] => {
    const whole = (r.times?.length ? r.times : ['']).map((time): Take => ({
      reading: r.id,
      ...(time && { time }),
    }));
    if (!apart || !r.per?.includes('condition')) return whole;
    return whole.flatMap((t) => [t, ...conditions.map((c): Take => ({ ...t, condition: c.id }))]);
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
        conditions.length > 1 &&
        doc.readings?.some((r) => r.per?.includes('condition')) && (
          <p>
            <Button variant="plain" className="small" onClick={() => setApart(true)}>
              {say('takes.one-condition-alone')}
            </Button>
          </p>
        )}
    </>
  );
}
