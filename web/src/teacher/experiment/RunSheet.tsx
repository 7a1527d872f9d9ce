import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { useEditing } from '../draft/fields';
import { Labelled } from '../parts/Labelled';
import { Grid } from '../parts/Grid';
import { PartError } from '../parts/states';
import { SideSheet } from '../parts/SideSheet';
import { say } from '../words';

/** The steps by the clock: from a beginning, or backwards from when it has to be done. */
export function RunSheet({ onClose }: { onClose: () => void }) {
  const { doc } = useEditing();
  const [from, setFrom] = useState<'begin' | 'done'>('begin');
  const [at, setAt] = useState({ begin: '17:00', done: '10:00' });
  const sheet = useQuery({
    queryKey: ['run-sheet', from, at[from], doc],
    queryFn: () =>
      got(
        api.POST('/api/v1/preview/run-sheet', {
          body: { document: doc, [from]: at[from] },
        }),
      ),
    enabled: at[from] !== '',
    placeholderData: (before) => before,
    gcTime: 0,
  });
  return (
    <SideSheet title={say('runSheet.run-sheet')} onClose={onClose}>
      <div className="field-row">
        <Labelled id="run-from" words={say('runSheet.count')}>
          <FormSelect
            id="run-from"
            value={from}
            onChange={(e) => setFrom(e.target.value as 'begin' | 'done')}
          >
            <option value="begin">{say('runSheet.from-the-beginning')}</option>
            <option value="done">{say('runSheet.back-from-when-it-is-done')}</option>
          </FormSelect>
        </Labelled>
        <Labelled
          id="run-at"
          words={say(from === 'begin' ? 'runSheet.begins-at' : 'runSheet.done-by')}
        >
          <FormControl
            id="run-at"
            type="time"
            value={at[from]}
            onChange={(e) => setAt({ ...at, [from]: e.target.value })}
          />
        </Labelled>
      </div>
      {sheet.error && (
        <PartError
          what={say('runSheet.run-sheet')}
          error={sheet.error}
          retry={() => void sheet.refetch()}
        />
      )}
      {sheet.data && (
        <>
          <p role="status">{sheet.data.says}</p>
          <Rows rows={sheet.data.rows} />
        </>
      )}
    </SideSheet>
  );
}

function Rows({ rows }: { rows: Schemas['RunningRow'][] }) {
  if (rows.length === 0) return null;
  return (
    <Grid dense label={say('runSheet.run-sheet')}>
      <thead>
        <tr>
          <th scope="col">{say('runSheet.when')}</th>
          <th scope="col">{say('runSheet.step')}</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.number}>
            <td className="text-nowrap">
              {r.day > 0 && say('runSheet.day', { count: r.day })} {r.from}
              {r.to && `–${r.to}`}
            </td>
            <th scope="row">
              {r.number} {r.title}
              {r.adult && <span className="second"> · {say('runSheet.adult')}</span>}
              {r.trouble && <span className="w-mend d-block">{r.trouble}</span>}
            </th>
          </tr>
        ))}
      </tbody>
    </Grid>
  );
}
