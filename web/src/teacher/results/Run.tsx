import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import { Filled } from '../parts/Filled';
import { Grid } from '../parts/Grid';
import { SideSheet } from '../parts/SideSheet';
import { homesHave, time } from '../parts/dates';
import { Loading, PartError } from '../parts/states';
import { NameLabel } from '../../ui/NameLabel';
import { NotebookSheet } from './NotebookSheet';
import { NotIssued } from './NotIssued';
import { laneName, lanesOf, slotWords } from './slotWords';
import {
  stateWords,
  heldWords,
  useResults,
  type Assignment,
  type HomeResult,
  type Results,
} from './useResults';
import { say } from '../words';
import { failed } from '../parts/failed';

const order: HomeResult['state'][] = [
  'not-opened',
  'opened',
  'working',
  'withdrawn',
  'declined',
  'watching',
  'sent',
];

const watches = (h: HomeResult) => h.state === 'declined' || h.permission === 'watching';

/** Who is where: those who have not begun first. */
export function Run({ assignment, id }: { assignment: Assignment | undefined; id: string }) {
  const results = useResults(assignment);
  const [params, change] = useAddress();
  if (!assignment) return <NotIssued id={id} />;
  if (results.isPending) return <Loading what={say('count.homes', { count: assignment.homes })} />;
  if (failed(results))
    return (
      <PartError
        what={say('run.the-homes')}
        error={results.error}
        retry={() => void results.refetch()}
      />
    );
  const r = results.data;
  const homes = [...r.homes].sort(
    (a, b) => order.indexOf(a.state) - order.indexOf(b.state) || a.done - b.done,
  );
  const count = (s: HomeResult['state']) => r.homes.filter((h) => h.state === s).length;
  const open = params.get('home');
  const show = (home?: string) => change({ home });
  return (
    <div className={open ? 'with-sheet' : ''}>
      <main className="work">
        <p className="lead-sentence">
          {say('run.of-sent-their-work-at-it', {
            n: count('sent'),
            homes: r.homes.length,
            homesHave: homesHave(r.homes.length),
            few: count('working')
              ? say('run.at-it', { count: count('working') })
              : say('run.none-at-it'),
            few2: count('not-opened')
              ? say('run.not-opened', { count: count('not-opened') })
              : say('run.none-not-opened'),
          })}
        </p>
        <div className="run-board">
          <div className="scroll">
            <Grid>
              <thead>
                <tr>
                  <th scope="col">{say('classPage.home')}</th>
                  <th scope="col">{say('conflict.where')}</th>
                  <th scope="col" className="num">
                    {say('run.steps')}
                  </th>
                  <th scope="col">{say('run.progress')}</th>
                  <th scope="col">{say('run.last-heard')}</th>
                </tr>
              </thead>
              <tbody>
                {homes.map((h) => (
                  <tr key={h.home} className={open === h.home ? 'chosen' : ''}>
                    <th scope="row">
                      <Button variant="plain" onClick={() => show(h.home)}>
                        <NameLabel name={h.nickname} />
                      </Button>
                    </th>
                    <td>
                      {stateWords[h.state]}
                      {h.late && say('run.some-late')}
                      {(h.without ?? []).length > 0 &&
                        say('run.without', { what: h.without!.join(', ') })}
                      {h.held.length > 0 && <span className="w-mend"> · {heldWords(h)}</span>}
                    </td>
                    <td className="num">
                      {watches(h) ? '' : say('run.of', { done: h.done, steps: h.steps })}
                    </td>
                    <td>{!watches(h) && <Filled done={h.done} of={h.steps} />}</td>
                    <td>
                      {h.last_seen ? (
                        time(h.last_seen)
                      ) : (
                        <span className="cell-missing">{say('run.nothing-heard')}</span>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </Grid>
          </div>
          <ComingIn r={r} />
        </div>
      </main>
      {open && (
        <SideSheet
          title={homes.find((h) => h.home === open)?.nickname ?? say('collect.home')}
          onClose={() => show()}
        >
          <NotebookSheet assignment={assignment} home={open} results={r} />
        </SideSheet>
      )}
    </div>
  );
}

/** What the class is giving, slot by slot, while it comes. */
function ComingIn({ r }: { r: Results }) {
  const lines = lanesOf(r).flatMap(({ lane, slots }) =>
    slots.filter(({ i }) => r.class_row[i].n > 0).map((slot) => ({ lane, ...slot })),
  );
  if (lines.length === 0) return null;
  return (
    <section aria-label={say('run.coming-in')}>
      <h2>
        {[say('run.coming-in'), r.readings.length === 1 && r.readings[0].name]
          .filter(Boolean)
          .join(': ')}
      </h2>
      <dl className="coming-in">
        {lines.map(({ lane, s, i }) => (
          <div key={i}>
            <dt>{[laneName(r, lane), slotWords(r, s)].filter(Boolean).join(' · ')}</dt>
            <dd>
              {r.class_row[i].text}{' '}
              <span className="second small">
                {say('count.homes', { count: r.class_row[i].n })}
              </span>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
