import { useQuery } from '@tanstack/react-query';
import { type RefObject, useEffect, useEffectEvent, useRef, useState } from 'react';
import { api, got, type Schemas } from '../../api/client';
import { Loading, PartError } from '../parts/states';
import { useAddress, type AddressChange } from '../frame/address';
import { stepAlong, useKeys } from '../frame/keys';
import { Head } from '../frame/TeacherFrame';
import { Finder, ways, WaysIn } from './Finder';
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
import { failed } from '../parts/failed';

/** What the larder has under a name; what was found before stands until then. */
function useFound(typed: string) {
  return useQuery({
    queryKey: ['find', typed],
    enabled: typed.length > 1,
    staleTime: 60_000,
    placeholderData: (b: Schemas['LarderFound'] | undefined) => b,
    queryFn: () => got(api.GET('/api/v1/larder/find', { params: { query: { q: typed } } })),
  });
}

/** / for the search, 1 to 4 for the ways in, j and k along the things. */
function useLarderKeys(
  search: RefObject<HTMLInputElement | null>,
  onWay: (way: (typeof ways)[number]) => void,
) {
  useKeys((key) => {
    const rows = [...document.querySelectorAll<HTMLElement>('[data-thing]')];
    if (key === '/') search.current?.focus();
    else if (/^[1-4]$/.test(key)) onWay(ways[Number(key) - 1]);
    else
      return stepAlong(
        key,
        rows,
        rows.findIndex((r) => r === document.activeElement),
      );
    return true;
  });
}

/** What is this thing, may I use it at home, what could replace it, and what will change? */
export default function Larder() {
  const [params, change] = useAddress();
  const way = (ways as readonly string[]).includes(params.get('by') ?? '')
    ? params.get('by')!
    : 'things';
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const chosen = params.get('thing') ?? undefined;
  const job = params.get('job') ?? '';
  const [own, setOwn] = useState<string | undefined>();
  const search = useRef<HTMLInputElement>(null);
  const { query: larder } = useLarder();
  const found = useFound(typed.trim());
  const go = (next: AddressChange) => change(next, { replace: true });
  const follow = useEffectEvent(() => {
    if ((params.get('q') ?? '') !== typed) go({ q: typed });
  });
  // The address follows what is typed; it never holds the letters up.
  useEffect(() => {
    const timer = setTimeout(follow, 300);
    return () => clearTimeout(timer);
  }, [typed]);
  useLarderKeys(search, (by) => go({ by }));
  useEffect(() => {
    document.title = say('larder.larder-patient-kitchen');
  }, []);
  if (failed(larder))
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
  const { jobs, swaps, never } = larder.data;
  const result = typed.trim().length > 1 ? found.data : undefined;
  return (
    <>
      <Head
        title={say('teacherFrame.larder')}
        aside={
          <WaysIn
            larder={larder.data}
            way={way}
            onGo={(by) => go({ by })}
            onOwn={() => setOwn('')}
          />
        }
      />
      <div className={chosen || own !== undefined ? 'with-sheet' : ''}>
        <main className="work">
          <Finder
            search={search}
            typed={typed}
            job={job}
            jobs={way === 'never' ? [] : jobs}
            onType={(q) => {
              setTyped(q);
              if (way !== 'things') go({ by: 'things' });
            }}
            onJob={(id) => go({ job: id })}
          />
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
