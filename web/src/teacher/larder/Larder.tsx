import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { Fallbacks } from './Fallbacks';
import { Jobs } from './Jobs';
import { Never } from './Never';
import { Swaps } from './Swaps';
import { Things } from './Things';
import { OwnForm } from './OwnForm';
import { OwnFiles } from './OwnFiles';
import { ThingSheet } from './ThingSheet';
import { useLarder } from './useLarder';
import { say } from '../words';

const ways = ['things', 'jobs', 'swaps', 'never'] as const;

/** What is this thing, may I use it at home, what could replace it, and what will change? */
export default function Larder() {
  const [params, setParams] = useSearchParams();
  const way = (ways as readonly string[]).includes(params.get('by') ?? '')
    ? params.get('by')!
    : 'things';
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const chosen = params.get('thing') ?? undefined;
  const job = params.get('job') ?? '';
  const [own, setOwn] = useState<string | undefined>();
  const search = useRef<HTMLInputElement>(null);
  const { query: larder } = useLarder();
  const found = useQuery({
    queryKey: ['find', typed.trim()],
    enabled: typed.trim().length > 1,
    staleTime: 60_000,
    placeholderData: (b: Schemas['LarderFound'] | undefined) => b,
    queryFn: () => got(api.GET('/api/v1/larder/find', { params: { query: { q: typed.trim() } } })),
  });
  const go = (next: Record<string, string | undefined>) => {
    const p = new URLSearchParams(params);
    for (const [k, v] of Object.entries(next))
      if (v) p.set(k, v);
      else p.delete(k);
    setParams(p, { replace: true });
  };
  const follow = useEffectEvent(() => {
    if ((params.get('q') ?? '') !== typed) go({ q: typed });
  });
  // The address follows what is typed; it never holds the letters up.
  useEffect(() => {
    const timer = setTimeout(follow, 300);
    return () => clearTimeout(timer);
  }, [typed]);
  const onKey = useEffectEvent((e: KeyboardEvent) => {
    if (
      (e.target as HTMLElement).closest('input, textarea, select') ||
      e.ctrlKey ||
      e.metaKey ||
      e.altKey
    )
      return;
    if (e.key === '/') {
      e.preventDefault();
      search.current?.focus();
    }
    if (/^[1-4]$/.test(e.key)) go({ by: ways[Number(e.key) - 1] });
    const rows = [...document.querySelectorAll<HTMLElement>('[data-thing]')];
    const at = rows.findIndex((r) => r === document.activeElement);
    if (e.key === 'j' || e.key === 'k')
      rows[Math.max(0, Math.min(rows.length - 1, at + (e.key === 'j' ? 1 : -1)))]?.focus();
  });
  useEffect(() => {
    document.title = say('larder.larder-patient-kitchen');
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
  if (larder.error)
    return (
      <>
        <Head title={say('teacherFrame.larder')} />
        <PartError
          what={say('needSheet.the-larder')}
          error={larder.error}
          retry={() => void larder.refetch()}
        />
      </>
    );
  if (!larder.data)
    return (
      <>
        <Head title={say('teacherFrame.larder')} />
        <Loading what={say('needSheet.the-larder-2')} />
      </>
    );
  const { things, jobs, swaps, never } = larder.data;
  const result = typed.trim().length > 1 ? found.data : undefined;
  return (
    <>
      <Head
        title={say('teacherFrame.larder')}
        aside={
          <div role="group" aria-label={say('larder.ways-in')} className="d-flex gap-2">
            {ways.map((w) => (
              <Button
                key={w}
                variant={w === way ? 'primary' : 'outline-primary'}
                aria-pressed={w === way}
                onClick={() => go({ by: w })}
              >
                {
                  {
                    things: say('larder.things', { n: things.length }),
                    jobs: say('larder.jobs', { n: jobs.length }),
                    swaps: say('larder.swaps', { n: swaps.length }),
                    never: say('larder.never'),
                  }[w]
                }
              </Button>
            ))}
            <Button variant="outline-primary" onClick={() => setOwn('')}>
              {say('larder.add-your-own')}
            </Button>
          </div>
        }
      />
      <div className={chosen || own !== undefined ? 'with-sheet' : ''}>
        <main className="work">
          <div className="field-row">
            <div className="grows">
              <label className="named" htmlFor="larder-search">
                {say('larder.find-by-any-everyday-name-english')}
              </label>
              <FormControl
                id="larder-search"
                ref={search}
                type="search"
                placeholder={say('larder.vinegar-lej-a-cup')}
                value={typed}
                onChange={(e) => {
                  setTyped(e.target.value);
                  if (way !== 'things') go({ by: 'things' });
                }}
              />
            </div>
            {way !== 'never' && (
              <div className="field-200">
                <label className="named" htmlFor="larder-job">
                  {say('larder.that-can-do-the-job')}
                </label>
                <FormSelect
                  id="larder-job"
                  value={job}
                  onChange={(e) => go({ job: e.target.value })}
                >
                  <option value="">{say('larder.any')}</option>
                  {jobs.map((j) => (
                    <option key={j.id} value={j.id}>
                      {j.name}
                    </option>
                  ))}
                </FormSelect>
              </div>
            )}
          </div>
          {way === 'things' && (
            <Things
              larder={larder.data}
              result={result}
              typed={typed.trim()}
              job={job}
              chosen={chosen}
              onChoose={(id) => go({ thing: id })}
              onOwn={() => setOwn('')}
            />
          )}
          {way === 'jobs' && (
            <Jobs
              jobs={jobs.filter((j) => !job || j.id === job)}
              onChoose={(id) => go({ job: id, by: 'things' })}
            />
          )}
          {way === 'swaps' && <Swaps swaps={swaps.filter((s) => !job || s.role === job)} />}
          {way === 'swaps' && !job && <Fallbacks larder={larder.data} />}
          {way === 'never' && <Never never={never} />}
          <OwnFiles count={larder.data.own} left={larder.data.own_problem} />
        </main>
        {own !== undefined && (
          <OwnForm
            id={own}
            larder={larder.data}
            onClose={() => setOwn(undefined)}
            onKept={(id) => {
              setOwn(undefined);
              setTyped('');
              go({ thing: id, q: undefined });
            }}
          />
        )}
        {chosen && own === undefined && (
          <ThingSheet
            key={chosen}
            id={chosen}
            larder={larder.data}
            onClose={() => go({ thing: undefined })}
            onCorrect={(id) => setOwn(id)}
          />
        )}
      </div>
    </>
  );
}
