import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got } from '../../api/client';
import { nameOf } from '../languages';
import { SideSheet } from '../parts/SideSheet';
import { say } from '../words';
import { DryRun, useDryRun } from './DryRun';
import type { LookedAt } from './useMargin';

const sheets = ['materials', 'notebook', 'safety'] as const;

/** The draft on a phone beside the work, as a home of a class has it or a usual one, at the step that is being written; what is entered there goes nowhere. */
export function AsFamily({
  id,
  step,
  languages,
  language,
  version,
  lookedAt,
  onClose,
}: {
  id: string;
  /** The number of the step, from 1; 0 for the beginning. */
  step: number;
  languages: string[];
  language: string;
  /** Of the saved draft: a newer one is shown at once. */
  version: number;
  lookedAt: LookedAt;
  onClose: () => void;
}) {
  const [reader, setReader] = useState(language);
  const [chosen, setHome] = useState('');
  const of = lookedAt.of || (lookedAt.classes[0]?.id ?? '');
  const homes = useQuery({
    queryKey: ['homes', of],
    queryFn: () =>
      got(api.GET('/api/v1/classes/{class}/homes', { params: { path: { class: of } } })),
    enabled: of !== '',
  });
  const known = homes.data?.items ?? [];
  const home = known.some((h) => h.id === chosen) ? chosen : '';
  const run = useDryRun();
  const now = { version, place: step > 0 ? `step/${step}` : 'ready' };
  const [held, setHeld] = useState(now);
  // While it is tried, the phone stays where it is, whatever is written beside it.
  if (!run.running && (held.version !== now.version || held.place !== now.place)) setHeld(now);
  const shown = run.running ? held : now;
  const asked = new URLSearchParams({
    language: reader,
    ...(of && { class: of }),
    ...(home && { home }),
  }).toString();
  return (
    <SideSheet title={say('asFamily.as-a-family')} onClose={onClose}>
      <p className="small mb-2">
        {known.length > 0 && (
          <label>
            {say('asFamily.home', { of: lookedAt.classes.find((c) => c.id === of)?.name ?? '' })}{' '}
            <FormSelect
              size="sm"
              className="d-inline-block w-auto"
              value={home}
              onChange={(e) => {
                run.anew();
                setHome(e.target.value);
                const speaks = known.find((h) => h.id === e.target.value)?.language;
                if (speaks && languages.includes(speaks)) setReader(speaks);
              }}
            >
              <option value="">{say('asFamily.a-usual-home')}</option>
              {known.map((h) => (
                <option key={h.id} value={h.id}>
                  {h.nickname}
                </option>
              ))}
            </FormSelect>
          </label>
        )}{' '}
        {languages.length > 1 && (
          <label>
            {say('asFamily.in')}{' '}
            <FormSelect
              size="sm"
              className="d-inline-block w-auto"
              value={reader}
              onChange={(e) => {
                run.anew();
                setReader(e.target.value);
              }}
            >
              {languages.map((l) => (
                <option key={l} value={l}>
                  {nameOf(l)}
                </option>
              ))}
            </FormSelect>
          </label>
        )}
      </p>
      {of && (
        <p className="small mb-2">
          {say('asFamily.on-paper')}{' '}
          {sheets.map((sheet, i) => (
            <span key={sheet}>
              {i > 0 && ' · '}
              <a
                href={`/print/classes/${of}/experiments/${id}/${sheet}?${asked}`}
                target="_blank"
                rel="noreferrer"
              >
                {say(`asFamily.${sheet}`)}
              </a>
            </span>
          ))}
        </p>
      )}
      <DryRun {...run} />
      <iframe
        key={`${asked} ${shown.version} ${shown.place}`}
        className="as-family"
        title={say('asFamily.as-a-family')}
        src={`/practice/${id}?${asked}#/${id}/${shown.place}`}
      />
    </SideSheet>
  );
}
