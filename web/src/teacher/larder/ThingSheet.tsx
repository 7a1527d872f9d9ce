import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { Comparability, Verdict } from '../parts/Verdict';
import { OwnSwap } from './OwnSwap';
import { otherLanguage } from '../languages';
import { say } from '../words';
import { useLarder } from './useLarder';

const qualities: Record<string, string> = {
  'well-known': say('thingSheet.well-known'),
  typical: say('thingSheet.typical'),
  varies: say('thingSheet.varies-read-the-label'),
  computed: say('thingSheet.worked-out'),
  choice: say('thingSheet.our-choice'),
};

/** One thing: what it is, what it can hurt, what may stand in for it and for what. */
export function ThingSheet({
  id,
  larder,
  onClose,
  onCorrect,
}: {
  id: string;
  larder: Schemas['LarderView'];
  onClose: () => void;
  onCorrect: (id: string) => void;
}) {
  const client = useQueryClient();
  const [problem, setProblem] = useState<unknown>();
  const [adding, setAdding] = useState(false);
  const card = useQuery({
    queryKey: ['thing', id],
    queryFn: () =>
      got(api.GET('/api/v1/larder/things/{thing}', { params: { path: { thing: id } } })),
  });
  const c = card.data;
  const removeSwap = async (swap: string) => {
    try {
      await got(api.DELETE('/api/v1/larder/own-swaps/{swap}', { params: { path: { swap } } }));
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  const remove = async () => {
    try {
      await got(api.DELETE('/api/v1/larder/own/{thing}', { params: { path: { thing: id } } }));
      onClose();
      await client.invalidateQueries();
    } catch (error) {
      setProblem(error);
    }
  };
  return (
    <SideSheet title={c?.name ?? id} onClose={onClose}>
      {card.error && (
        <PartError
          what={say('thingSheet.this-thing')}
          error={card.error}
          retry={() => void card.refetch()}
        />
      )}
      {!c && !card.error && <Loading what={say('thingSheet.the-card')} />}
      {c && (
        <div className="thing-card">
          <Known c={c} />
          <SwapList
            title={say('thingSheet.instead-of-it')}
            rows={c.instead}
            side="to"
            onRemove={(s) => void removeSwap(s)}
          />
          {adding ? (
            <OwnSwap from={c} larder={larder} onKept={() => setAdding(false)} />
          ) : (
            c.jobs.length > 0 && (
              <Button variant="plain" onClick={() => setAdding(true)}>
                {say('thingSheet.add-a-swap-of-your-own')}
              </Button>
            )
          )}
          <SwapList title={say('thingSheet.it-may-stand-in-for')} rows={c.serves} side="from" />
          {c.designs.length > 0 && (
            <p>
              <strong>{say('thingSheet.in-use')}</strong> {c.designs.join(', ')}
            </p>
          )}
          <ProblemLine error={problem} />
          <p className="ways">
            <Button variant="outline-primary" onClick={() => onCorrect(c.id)}>
              {c.own
                ? say('thingSheet.correct-your-entry')
                : say('thingSheet.correct-it-for-your-school')}
            </Button>
            {c.own && (
              <Button variant="outline-primary" onClick={() => void remove()}>
                {say('thingSheet.take-your-entry-out')}
              </Button>
            )}
          </p>
        </div>
      )}
    </SideSheet>
  );
}

/** What a thing is called, can do and can hurt. */
function Known({ c }: { c: Schemas['ThingCard'] }) {
  const { jobName } = useLarder();
  return (
    <>
      <p className="second">
        {c.other && <span lang={otherLanguage()}>{say('thingSheet.es', { other: c.other })} </span>}
        {say('thingSheet.also', {
          value:
            c.names.filter((n) => n !== c.name && n !== c.other && n !== c.id).join(', ') ||
            say('thingSheet.no-other-name'),
        })}
      </p>
      {c.refused && (
        <Notice>
          <Verdict v="not-at-home" /> {say('thingSheet.it-is-in-the-larder-so')}
        </Notice>
      )}
      <h3>{say('thingSheet.jobs')}</h3>
      <p>{c.jobs.map(jobName).join(', ') || say('needSheet.none')}</p>
      <h3>{say('thingSheet.what-is-known')}</h3>
      <ul>
        {c.figures.map((f) => (
          <li key={f.text}>
            {f.text} {f.quality && <span className="second small">· {qualities[f.quality]}</span>}
          </li>
        ))}
      </ul>
      {c.caveat && <p className="second">{c.caveat}</p>}
      <h3>{say('thingSheet.at-home')}</h3>
      <p className="d-flex flex-wrap gap-3">
        {c.bands.map((b) => (
          <span key={b.age_band} className="text-nowrap">
            {b.age_band.replace('-', '–')} <Verdict v={b.verdict} />
          </span>
        ))}
      </p>
      <ul>
        {c.hazards.map((h) => (
          <li key={h.why}>
            {h.why} {h.do}
          </li>
        ))}
      </ul>
      <p>
        <strong>{say('thingSheet.allergy')}</strong>{' '}
        {c.allergy.join(', ') || say('thingSheet.none-known-read-the-label')}.{' '}
        <strong>{say('thingSheet.pets')}</strong>{' '}
        {c.pets.join('; ') || say('thingSheet.none-known')}.
      </p>
      {c.diet.length + c.swap.length > 0 && (
        <p className="second">
          {c.diet.join('; ')}
          {c.swap.length > 0 &&
            say('thingSheet.those-who-avoid-it-keep-the', { join: c.swap.join(', ') })}
        </p>
      )}
      {c.clear.length > 0 && (
        <p>
          <strong>{say('thingSheet.clearing-up')}</strong> {c.clear.join(' ')}
        </p>
      )}
    </>
  );
}

function SwapList({
  title,
  rows,
  side,
  onRemove,
}: {
  title: string;
  rows: Schemas['SwapRow'][];
  side: 'to' | 'from';
  onRemove?: (id: string) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <>
      <h3>{title}</h3>
      {rows.map((r) => (
        <div key={r.id} className="swap">
          <strong>{r[side]}</strong> <Comparability c={r.class} />{' '}
          <span className="second small">
            {say('thingSheet.for', { join: r.results.join(' · ') })}
          </span>
          {r.own && (
            <span className="second small">
              {' '}
              {say('larder.your-schools')}{' '}
              {onRemove && (
                <Button
                  variant="plain"
                  aria-label={say('thingSheet.take-out-your-swap-to', { to: r.to })}
                  onClick={() => onRemove(r.id)}
                >
                  {say('fields.take-out-2')}
                </Button>
              )}
            </span>
          )}
          <p className="second small m-0">
            {[
              r.worked,
              r.effect,
              r.safety && say('larder.safety', { safety: r.safety }),
              r.procedure,
            ]
              .filter(Boolean)
              .join(' · ')}
          </p>
        </div>
      ))}
    </>
  );
}
