import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { say } from '../words';

/** What this class will probably find, before anybody fetches a bean; in dotted ink, since nobody has measured it. */
export function Rehearsal({ experiment, of }: { experiment: string; of: string }) {
  const [on, setOn] = useState(false);
  const played = useQuery({
    queryKey: ['kitchens', experiment, of, 'rehearsal'],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/kitchens/rehearsal', {
          params: { path: { experiment }, query: { class: of } },
        }),
      ),
    enabled: on,
  });
  return (
    <section aria-label={say('rehearsal.rehearsal')}>
      <p>
        <Button variant="outline-primary" aria-expanded={on} onClick={() => setOn(!on)}>
          {say(on ? 'rehearsal.put-away' : 'rehearsal.rehearse')}
        </Button>
      </p>
      {on && played.isPending && <Loading what={say('rehearsal.ten-thousand-classes')} />}
      {on && played.isError && (
        <PartError
          what={say('rehearsal.rehearsal')}
          error={played.error}
          retry={() => void played.refetch()}
        />
      )}
      {on && played.data && <Answer a={played.data} />}
    </section>
  );
}

function Answer({ a }: { a: Schemas['Rehearsal'] }) {
  const [first, ...rest] = a.sentences;
  return (
    <div className="card-paper rehearsal" role="status">
      <p className="m-0">
        <strong>{first}</strong>
      </p>
      {rest.map((s) => (
        <p key={s} className="m-0">
          {s}
        </p>
      ))}
      {a.claims.map((c) => (
        <Band key={c.words} c={c} />
      ))}
      <details>
        <summary>{say('rehearsal.how-do-we-know')}</summary>
        <p className="second small m-0">{a.how}</p>
      </details>
    </div>
  );
}

/** Where the class's estimate would lie, from the 5th to the 95th of 100 classes, beside no difference. */
function Band({ c }: { c: Schemas['Rehearsed'] }) {
  const ends = [c.low, c.high, c.none];
  const pad = (Math.max(...ends) - Math.min(...ends)) * 0.1 || 1;
  const from = Math.min(...ends) - pad;
  const span = Math.max(...ends) + pad - from;
  const x = (v: number) => (100 * (v - from)) / span;
  return (
    <figure className="rehearsed">
      <svg viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
        <path d={`M${x(c.none)} 0 V14`} className="none" />
        <path d={`M${x(c.low)} 7 H${x(c.high)}`} className="dotted" />
        <path d={`M${x(c.middle)} 2 V12`} className="dotted" />
      </svg>
      <figcaption className="second small">
        {say('rehearsal.band', { words: c.words, seen: c.seen })}
      </figcaption>
    </figure>
  );
}
