import { useQuery } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { Loading, PartError } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';
import { Comparability, Verdict } from '../frame/Verdict';
import { OwnForm } from './OwnForm';
import { OwnFiles } from './OwnFiles';
import { ThingSheet } from './ThingSheet';
import { useLarder } from './useLarder';
import { otherLanguage } from '../languages';
import { say } from '../words';

type View = Schemas['LarderView'];
type Thing = Schemas['ThingRow'];
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
  const listed = (
    result
      ? result.things.map((id) => things.find((t) => t.id === id)).filter((t): t is Thing => !!t)
      : things
  ).filter((t) => !job || t.jobs.includes(job));
  const nearest =
    result?.nearest.map((id) => things.find((t) => t.id === id)).filter((t): t is Thing => !!t) ??
    [];
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
            <>
              {result?.asks.map((a) => (
                <p key={a.why} className="notice plain">
                  {a.why}{' '}
                  {a.choices.map((c) => (
                    <Button
                      key={c}
                      variant="plain"
                      className="me-2"
                      onClick={() => go({ thing: c })}
                    >
                      {things.find((t) => t.id === c)?.name ?? c}
                    </Button>
                  ))}
                </p>
              ))}
              {listed.length === 0 && (
                <p>
                  {say('larder.nothing-is-called-here', { typed: typed.trim() })}{' '}
                  {nearest.length > 0 && (
                    <>
                      {say('larder.nearest')}{' '}
                      {nearest.map((t) => (
                        <Button
                          key={t.id}
                          variant="plain"
                          className="me-2"
                          onClick={() => go({ thing: t.id })}
                        >
                          {t.name}
                        </Button>
                      ))}
                    </>
                  )}{' '}
                  {say('larder.or')}{' '}
                  <Button variant="plain" onClick={() => setOwn('')}>
                    {say('larder.add-your-own-2')}
                  </Button>
                  .
                </p>
              )}
              <ThingTable
                things={listed}
                shelves={!result}
                chosen={chosen}
                onChoose={(id) => go({ thing: id })}
              />
            </>
          )}
          {way === 'jobs' && (
            <Jobs
              jobs={jobs.filter((j) => !job || j.id === job)}
              onChoose={(id) => go({ job: id, by: 'things' })}
            />
          )}
          {way === 'swaps' && <Swaps swaps={swaps.filter((s) => !job || s.role === job)} />}
          {way === 'swaps' && !job && <Fallbacks larder={larder.data} />}
          {way === 'never' && (
            <table className="grid">
              <thead>
                <tr>
                  <th scope="col">{say('larder.never-together-never-do')}</th>
                  <th scope="col">{say('larder.what-comes-of-it')}</th>
                  <th scope="col">{say('larder.what-the-rules-do')}</th>
                </tr>
              </thead>
              <tbody>
                {never.map((n) => (
                  <tr key={n.what}>
                    <th scope="row" className="fw-normal">
                      <Verdict v="not-at-home" word={false} /> {n.what}
                    </th>
                    <td>{n.result}</td>
                    <td>{n.rule}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
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

/** How many things of a shelf are shown before it is opened. */
const fewRows = 5;

function ThingTable({
  things,
  shelves,
  chosen,
  onChoose,
}: {
  things: Thing[];
  shelves: boolean;
  chosen?: string;
  onChoose: (id: string) => void;
}) {
  const { jobName, shelfName } = useLarder();
  const groups = shelves
    ? [...new Set(things.map((t) => t.shelf))].map(
        (s) => [s, things.filter((t) => t.shelf === s)] as const,
      )
    : [['', things] as const];
  const [open, setOpen] = useState<string[]>([]);
  if (things.length === 0) return null;
  const shown = (shelf: string, rows: Thing[]) =>
    !shelf ||
    rows.length <= fewRows + 2 ||
    open.includes(shelf) ||
    rows.slice(fewRows).some((t) => t.id === chosen)
      ? rows
      : rows.slice(0, fewRows);
  return (
    <table className="grid larder">
      <thead>
        <tr>
          <th scope="col">{say('conflict.thing')}</th>
          <th scope="col">{say('larder.spanish')}</th>
          <th scope="col">{say('larder.jobs-2')}</th>
          <th scope="col">{say('larder.youngest-ages')}</th>
        </tr>
      </thead>
      {groups.map(([shelf, rows]) => (
        <tbody key={shelf}>
          {shelf && (
            <tr className="shelf">
              <th colSpan={4} scope="rowgroup">
                {shelfName(shelf)} <span className="second tabular">{rows.length}</span>
              </th>
            </tr>
          )}
          {shown(shelf, rows).map((t) => (
            <tr key={t.id} aria-current={t.id === chosen || undefined}>
              <th scope="row">
                <Button variant="plain" data-thing={t.id} onClick={() => onChoose(t.id)}>
                  {t.name}
                </Button>
                {t.own && <span className="second small"> {say('larder.your-schools')}</span>}
              </th>
              <td lang={otherLanguage()}>{t.other}</td>
              <td className="second">{t.jobs.map(jobName).join(', ')}</td>
              <td>
                {t.refused ? (
                  <>
                    <Verdict v="not-at-home" word={false} /> {say('larder.refused')}
                  </>
                ) : (
                  <Verdict v={t.verdict} />
                )}
              </td>
            </tr>
          ))}
          {shown(shelf, rows).length < rows.length && (
            <tr>
              <td colSpan={4}>
                <Button variant="plain" onClick={() => setOpen([...open, shelf])}>
                  {say('larder.more-of', {
                    value: rows.length - fewRows,
                    join: shelf.split('-').join(', '),
                  })}
                </Button>
              </td>
            </tr>
          )}
        </tbody>
      ))}
    </table>
  );
}

function Jobs({ jobs, onChoose }: { jobs: Schemas['JobRow'][]; onChoose: (id: string) => void }) {
  return (
    <table className="grid larder">
      <thead>
        <tr>
          <th scope="col">{say('larder.job')}</th>
          <th scope="col">{say('larder.what-it-does')}</th>
          <th scope="col">{say('larder.properties-that-matter')}</th>
          <th scope="col">{say('larder.usual-failure')}</th>
          <th scope="col" className="num">
            {say('larder.things-2')}
          </th>
        </tr>
      </thead>
      <tbody>
        {jobs.map((j) => (
          <tr key={j.id}>
            <th scope="row">
              <Button variant="plain" data-thing={j.id} onClick={() => onChoose(j.id)}>
                {j.name}
              </Button>
            </th>
            <td>{j.job}</td>
            <td>{j.matters}</td>
            <td>{j.failure}</td>
            <td className="num">{j.things}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

export function Swaps({ swaps }: { swaps: Schemas['SwapRow'][] }) {
  return (
    <table className="grid larder">
      <thead>
        <tr>
          <th scope="col">{say('larder.instead-of')}</th>
          <th scope="col">{say('larder.use')}</th>
          <th scope="col">{say('larder.for-the-result')}</th>
          <th scope="col">{say('larder.compares')}</th>
          <th scope="col">{say('larder.worked-example')}</th>
          <th scope="col">{say('larder.effect-and-what-changes')}</th>
        </tr>
      </thead>
      <tbody>
        {swaps.map((s) => (
          <tr key={s.id}>
            <th scope="row" className="fw-normal">
              {s.from}
            </th>
            <td>{s.to}</td>
            <td>{s.results.join(' · ')}</td>
            <td>
              <Comparability c={s.class} />
            </td>
            <td>{s.worked}</td>
            <td>
              {[s.effect, s.safety && say('larder.safety', { safety: s.safety }), s.procedure]
                .filter(Boolean)
                .join('. ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Without buying anything: what almost every home has, and sheets that stand in for a tool. */
function Fallbacks({ larder }: { larder: View }) {
  return (
    <>
      <h2 className="mt-5">{say('larder.without-buying-anything')}</h2>
      <table className="grid larder">
        <thead>
          <tr>
            <th scope="col">{say('larder.no')}</th>
            <th scope="col">{say('larder.use')}</th>
            <th scope="col">{say('larder.expect')}</th>
            <th scope="col">{say('larder.compares')}</th>
          </tr>
        </thead>
        <tbody>
          {larder.fallbacks.map((f) => (
            <tr key={f.need}>
              <th scope="row">{f.need}</th>
              <td>{f.fallback}</td>
              <td>{f.expect}</td>
              <td>{f.class}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="mt-5">{say('larder.printed-at-true-size')}</h2>
      <table className="grid larder">
        <thead>
          <tr>
            <th scope="col">{say('larder.sheet')}</th>
            <th scope="col">{say('larder.size-on-paper')}</th>
            <th scope="col">{say('larder.for')}</th>
            <th scope="col">{say('larder.error-after-the-check-line')}</th>
            <th scope="col">{say('larder.compares')}</th>
          </tr>
        </thead>
        <tbody>
          {larder.printables.map((p) => (
            <tr key={p.sheet}>
              <th scope="row">{p.sheet}</th>
              <td>{p.size}</td>
              <td>{p.use}</td>
              <td>{p.error}</td>
              <td>{p.class}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
