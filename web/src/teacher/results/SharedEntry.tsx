import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { Grid } from '../parts/Grid';
import { api, got } from '../../api/client';
import { newID } from '../../ui/ids';
import { ProblemLine } from '../parts/states';
import { GivenSelect, givable, seenAtHome, type Given } from './GivenSelect';
import { laneName, lanesOf, slotWords } from './slotWords';
import type { Assignment, Results } from './useResults';
import { say } from '../words';

/** The teacher's own measurements, for homes that watch. They are drawn apart and never counted. */
export function SharedEntry({ assignment, results }: { assignment: Assignment; results: Results }) {
  const [typed, setTyped] = useState<Record<number, string>>({});
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const keep = async (i: number, value?: Given) => {
    const text = typed[i]?.trim();
    if (!text && !value) return;
    const s = results.slots[i];
    setError(undefined);
    try {
      await got(
        api.PUT('/api/v1/classes/{class}/assignments/{assignment}/shared/{entry}', {
          params: { path: { class: assignment.class, assignment: assignment.id, entry: newID() } },
          body: {
            kind: 'reading',
            ...s,
            ...(value ? { value } : { typed: text }),
            phone_time: new Date().toISOString(),
            offset_ms: 0,
          },
        }),
      );
      setTyped((t) => ({ ...t, [i]: '' }));
      await client.invalidateQueries({ queryKey: ['results'] });
    } catch (e) {
      setError(e);
    }
  };
  const reading = (s: Results['slots'][number]) => results.readings.find((x) => x.id === s.reading);
  return (
    <>
      <p className="second small mt-0">{say('sharedEntry.families-who-watch-see-these-at')}</p>
      <div className="scroll">
        <Grid dense className="w-auto">
          <tbody>
            {lanesOf(results).map(({ lane, slots }) => (
              <tr key={lane}>
                <th scope="row">{laneName(results, lane) || say('notebookSheet.all')}</th>
                {slots.map(({ s, i }) => (
                  <td key={i}>
                    <label className="small hint d-block" htmlFor={`shared-${i}`}>
                      {slotWords(results, s)}
                    </label>
                    {seenAtHome(reading(s)) ? (
                      <span id={`shared-${i}`} className="hint small">
                        {say('sharedEntry.seen-at-home')}
                      </span>
                    ) : givable(reading(s)) ? (
                      <GivenSelect
                        id={`shared-${i}`}
                        reading={reading(s)!}
                        now={results.shared?.cells[i]?.text}
                        onGive={(value) => void keep(i, value)}
                      />
                    ) : (
                      <FormControl
                        id={`shared-${i}`}
                        className="short"
                        inputMode="decimal"
                        placeholder={results.shared?.cells[i]?.text ?? reading(s)?.unit}
                        value={typed[i] ?? ''}
                        onChange={(e) => setTyped((t) => ({ ...t, [i]: e.target.value }))}
                        onBlur={() => void keep(i)}
                      />
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Grid>
      </div>
      <ProblemLine error={error} />
    </>
  );
}
