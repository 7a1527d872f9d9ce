import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { say } from '../words';

const atOnce = 5;

/** From the kitchens to the experiments: the ready ones, those first that most homes of a class can do at once. */
export function ReadyForKitchens({ onBegin }: { onBegin: (example: string) => void }) {
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
  });
  const [chosen, setChosen] = useState('');
  const [all, setAll] = useState(false);
  const of = chosen || classes.data?.items[0]?.id || '';
  const ready = useQuery({
    queryKey: ['kitchens', 'ready', of],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/ready', { params: { path: { class: of } } })),
    enabled: Boolean(of),
  });
  if (!of) return null;
  const shown = ready.data?.items.slice(0, all ? undefined : atOnce) ?? [];
  return (
    <section className="band" aria-label={say('ready.ready-experiments')}>
      <h2>{say('ready.ready-experiments')}</h2>
      <div className="field-row mb-2">
        <div className="field-200">
          <label className="named" htmlFor="ready-class">
            {say('ready.with-the-kitchens-of')}
          </label>
          <FormSelect id="ready-class" value={of} onChange={(e) => setChosen(e.target.value)}>
            {classes.data?.items.map((c) => (
              <option key={c.id} value={c.id}>
                {c.name}
              </option>
            ))}
          </FormSelect>
        </div>
      </div>
      {ready.isPending && <Loading what={say('ready.the-ready-experiments')} />}
      {ready.isError && (
        <PartError
          what={say('ready.the-ready-experiments')}
          error={ready.error}
          retry={() => void ready.refetch()}
        />
      )}
      <ul className="plain-list">
        {shown.map((r) => (
          <li key={r.example} className="row-line faces">
            <div>
              <strong>{r.title}</strong>
              <div className="second small">{r.question}</div>
            </div>
            <div className="small">{r.says}</div>
            <Button variant="outline-primary" size="sm" onClick={() => onBegin(r.example)}>
              {say('ready.begin-with-it')}
              <span className="visually-hidden">: {r.title}</span>
            </Button>
          </li>
        ))}
      </ul>
      {(ready.data?.items.length ?? 0) > atOnce && (
        <Button variant="plain" aria-expanded={all} onClick={() => setAll(!all)}>
          {say(all ? 'ready.fewer' : 'ready.all', { count: ready.data?.items.length ?? 0 })}
        </Button>
      )}
    </section>
  );
}
