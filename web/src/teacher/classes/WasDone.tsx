import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, got } from '../../api/client';
import { day } from '../parts/dates';
import { Loading, PartError } from '../parts/states';
import { NameLabel } from '../../ui/NameLabel';
import { say } from '../words';

/** What the teacher did to a class or home, read when it is opened. */
export function WasDone({
  of,
  home,
  zone,
  names,
}: {
  of: string;
  home?: string;
  zone: string;
  names?: Map<string, string>;
}) {
  const [open, setOpen] = useState(false);
  const lines = useQuery({
    queryKey: ['audit', of, home],
    queryFn: () =>
      home
        ? got(
            api.GET('/api/v1/classes/{class}/homes/{home}/audit', {
              params: { path: { class: of, home } },
            }),
          )
        : got(api.GET('/api/v1/classes/{class}/audit', { params: { path: { class: of } } })),
    enabled: open,
  });
  return (
    <details className="mt-3" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>{say('wasDone.what-was-done-here')}</summary>
      {open && lines.isPending && <Loading what={say('wasDone.what-was-done')} />}
      {lines.error && (
        <PartError
          what={say('wasDone.what-was-done-2')}
          error={lines.error}
          retry={() => void lines.refetch()}
        />
      )}
      {lines.data?.items.length === 0 && <p className="hint">{say('wasDone.nothing-yet')}</p>}
      <ul className="plain-list">
        {lines.data?.items.map((l) => (
          <li key={l.at + l.done} className="row-line">
            <span className="second">{day(l.at, zone)}</span>
            <span>
              {l.done}
              {names && l.home && (
                <>
                  {' '}
                  ·{' '}
                  {names.has(l.home) ? (
                    <NameLabel name={names.get(l.home)!} />
                  ) : (
                    say('wasDone.a-home-that-is-gone')
                  )}
                </>
              )}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
