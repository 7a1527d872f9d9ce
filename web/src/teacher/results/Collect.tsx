import { useAddress } from '../frame/address';
import Button from 'react-bootstrap/Button';
import { Grid } from '../parts/Grid';
import { NameLabel } from '../../ui/NameLabel';
import { SideSheet } from '../parts/SideSheet';
import { homesHave } from '../parts/dates';
import { Loading, PartError } from '../parts/states';
import { NotebookSheet } from './NotebookSheet';
import { NotIssued } from './NotIssued';
import { laneName, lanesOf, slotWords } from './slotWords';
import { EvidenceWall } from './EvidenceWall';
import { SharedEntry } from './SharedEntry';
import { TakeOut } from './TakeOut';
import {
  guardWords,
  isGuard,
  stateWords,
  useResults,
  type Assignment,
  type HomeResult,
  type Results,
} from './useResults';
import { because, say } from '../words';
import { failed } from '../parts/failed';

const missing: Record<string, string> = {
  'not-yet': say('classPage.not-yet'),
  spoiled: say('collect.spoiled'),
  'set-aside': say('collect.set-aside'),
  'needs-reading': say('collect.to-read'),
  deeper: say('useResults.deeper'),
};

/** Homes × conditions and times with every reading; what is missing says why, what is doubtful has a dashed line under it. */
export function Collect({ assignment, id }: { assignment: Assignment | undefined; id: string }) {
  const results = useResults(assignment);
  const [params, change] = useAddress();
  if (!assignment) return <NotIssued id={id} />;
  if (results.isPending)
    return (
      <Loading
        what={say('collect.the-readings-of-homes', {
          homes: say('count.homes', { count: assignment.homes }),
        })}
      />
    );
  if (failed(results))
    return (
      <PartError
        what={say('collect.the-readings')}
        error={results.error}
        retry={() => void results.refetch()}
      />
    );
  const r = results.data;
  const home = params.get('home');
  const show = (home?: string) => change({ home });
  const look = r.homes.filter((h) => h.cells.some(doubtful) || h.results.some((x) => x.outlier));
  return (
    <div className={home ? 'with-sheet' : ''}>
      <main className="work">
        <p className="lead-sentence">
          {say('collect.of-readings', {
            counted: r.counted,
            homes: r.homes.length,
            homesHave: homesHave(r.homes.length),
            value:
              look.length === 0
                ? say('collect.nothing-stands-out')
                : say('collect.a-look', { count: look.length }),
            value2: r.erased > 0 && ' ' + say('collect.homes-were', { count: r.erased }),
          })}
        </p>
        {look.length > 0 && (
          <section aria-label={say('collect.worth-a-look')} className="mb-2">
            {look.map((h) => (
              <Button key={h.home} variant="plain" className="me-3" onClick={() => show(h.home)}>
                <NameLabel name={h.nickname} /> {reasons(h)}
              </Button>
            ))}
          </section>
        )}
        <ReadingsTable r={r} chosen={home} onOpen={show} />
        <section className="band mt-4" aria-label={say('collect.evidence')}>
          <h2>{say('collect.evidence')}</h2>
          <EvidenceWall assignment={assignment} homes={r.homes} heaps={r.heaps} onOpen={show} />
        </section>
        <section className="band" aria-label={say('collect.your-own-readings')}>
          <h2>{say('collect.your-own-readings-to-share')}</h2>
          <SharedEntry assignment={assignment} results={r} />
        </section>
        <TakeOut assignment={assignment} />
      </main>
      {home && (
        <SideSheet
          title={say('collect.s-notebook', {
            value: r.homes.find((h) => h.home === home)?.nickname ?? say('collect.home'),
          })}
          onClose={() => show()}
        >
          <NotebookSheet assignment={assignment} home={home} results={r} />
        </SideSheet>
      )}
    </div>
  );
}

/** What a check found, in words; what was merely corrected is no doubt. */
const flagWords: Record<string, string> = {
  'look-again': say('collect.outside-the-limits'),
  decimals: say('collect.more-digits-than-the-tool-shows'),
  'more-than-all': say('collect.more-than-there-are'),
  'too-alike': say('collect.two-things-too-alike'),
  circle: say('collect.pairs-in-a-circle'),
  'not-as-chosen': say('collect.not-as-was-asked-for'),
};

const doubtful = (c: HomeResult['cells'][number]) =>
  c.state === 'needs-reading' || (c.flags ?? []).some((f) => f in flagWords);

function reasons(h: HomeResult): string {
  const out = new Set<string>();
  for (const c of h.cells) {
    if (c.state === 'needs-reading') out.add(say('collect.a-text-to-read'));
    else if (isGuard(c.state) && c.state !== 'not-agreed') out.add(guardWords[c.state]);
    else for (const f of c.flags ?? []) if (f in flagWords) out.add(flagWords[f]);
  }
  if (h.results.some((x) => x.outlier)) out.add(say('classPlot.stands-apart-2'));
  return [...out].join(', ');
}

function ReadingsTable({
  r,
  chosen,
  onOpen,
}: {
  r: Results;
  chosen: string | null;
  onOpen: (h: string) => void;
}) {
  const rows = r.shared ? [...r.homes, r.shared] : r.homes;
  const lanes = lanesOf(r);
  const units = [...new Set(r.readings.map((x) => x.unit))]
    .filter((u) => u && u !== '1')
    .join(', ');
  return (
    <div
      className="scroll"
      tabIndex={0}
      role="region"
      aria-label={say('collect.readings-of-every-home')}
    >
      <Grid dense>
        <thead>
          <tr>
            <th scope="col" rowSpan={2}>
              {say('classPage.home')}
            </th>
            {lanes.map(({ lane, slots }) => (
              <th key={lane} scope="colgroup" colSpan={slots.length} className="begins">
                {laneName(r, lane) ||
                  (r.readings.length > 1 ? say('notebookSheet.all') : r.readings[0]?.name)}
                {units && ` (${units})`}
              </th>
            ))}
            <th scope="col" rowSpan={2} className="begins">
              {say('collect.state')}
            </th>
          </tr>
          <tr>
            {lanes.flatMap(({ slots }) =>
              slots.map(({ s, i }, k) => (
                <th key={i} scope="col" className={k === 0 ? 'num begins' : 'num'}>
                  {slotWords(r, s)}
                </th>
              )),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((h) => (
            <tr
              key={h.home ?? 'shared'}
              className={h.home ? (chosen === h.home ? 'chosen' : '') : 'apart'}
            >
              <th scope="row" className="text-nowrap">
                {h.home ? (
                  <Button variant="plain" onClick={() => onOpen(h.home!)}>
                    <NameLabel name={h.nickname} />
                  </Button>
                ) : (
                  say('collect.shared-not-counted')
                )}
              </th>
              {lanes.flatMap(({ slots }) =>
                slots.map(({ i }, k) => (
                  <td key={i} className={k === 0 ? 'num begins' : 'num'}>
                    <Cell
                      c={h.cells[i]}
                      declined={
                        h.permission === 'watching' ||
                        h.state === 'declined' ||
                        h.state === 'not-opened' ||
                        h.state === 'withdrawn'
                      }
                      sent={Boolean(h.sent_at)}
                    />
                  </td>
                )),
              )}
              <td className="begins text-nowrap">{h.home ? stateWords[h.state] : ''}</td>
            </tr>
          ))}
        </tbody>
        {r.counted > 1 && (
          <tfoot>
            <tr>
              <th scope="row">{say('collect.the-class-so-far')}</th>
              {lanes.flatMap(({ slots }) =>
                slots.map(({ i }, k) => (
                  <td key={i} className={k === 0 ? 'num begins' : 'num'}>
                    {r.class_row[i].text.replace(/^([^\u00a0;]+)\u00a0\S+$/, '$1')}
                  </td>
                )),
              )}
              <td className="begins" />
            </tr>
          </tfoot>
        )}
      </Grid>
    </div>
  );
}

function Cell({
  c,
  declined,
  sent,
}: {
  c: HomeResult['cells'][number];
  declined: boolean;
  sent: boolean;
}) {
  if (c.state === 'value' || c.state === 'bound') {
    return (
      <span
        className={doubtful(c) ? 'cell-flag' : ''}
        title={say(
          (c.flags ?? []).includes('corrected') ? 'collect.typed-corrected' : 'collect.typed',
          { typed: c.typed || c.text },
        )}
      >
        {c.text?.replace(/\u00a0.*$/, '')}
      </span>
    );
  }
  if (isGuard(c.state)) {
    if (!c.text && !c.typed) return <span className="cell-missing">{guardWords[c.state]}</span>;
    return (
      <span
        className="cell-flag"
        title={say('collect.typed-kept-and-not-counted', { typed: c.typed })}
      >
        ({c.text?.replace(/\u00a0.*$/, '') ?? c.typed}) {guardWords[c.state]}
      </span>
    );
  }
  if (declined && c.state === 'not-yet') return null;
  if (sent && c.state === 'not-yet')
    return <span className="cell-missing">{say('collect.not-there')}</span>;
  return (
    <span className={c.state === 'needs-reading' ? 'cell-flag' : 'cell-missing'}>
      {c.state === 'not-read'
        ? because(c.reason)
        : c.state === 'needs-reading'
          ? say('quoted', { text: c.typed })
          : missing[c.state]}
    </span>
  );
}
