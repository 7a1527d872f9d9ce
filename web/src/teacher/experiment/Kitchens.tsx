import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import { useAddress } from '../frame/address';
import { Grid } from '../parts/Grid';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError } from '../parts/states';
import { say } from '../words';
import { KitchenAnswers } from './KitchenAnswers';

type Matrix = Schemas['Matrix'];
type Row = Matrix['homes'][number];
type Cell = Row['cells'][number];

const verdicts: Record<Row['verdict'], string> = {
  'as-designed': say('kitchens.as-designed'),
  'with-substitutes': say('kitchens.with-substitutes'),
  'needs-a-kit': say('kitchens.needs-a-kit'),
  part: say('kitchens.part'),
  'shared-readings': say('kitchens.shared-readings'),
};
const classes: Record<Cell['class'], string> = {
  pools: say('kitchens.pools'),
  scales: say('kitchens.scales'),
  separate: say('kitchens.separate'),
  unsuitable: say('kitchens.unsuitable'),
};

/** The experiment as each home of a class would do it; only what departs from the design has ink. */
export function Kitchens({ id, usual }: { id: string; usual: string | undefined }) {
  const [params, change] = useAddress();
  const [open, setOpen] = useState<string>();
  const client = useQueryClient();
  const of = params.get('class') ?? usual; // the class that it was issued to
  const plan = useQuery({
    queryKey: ['kitchens', id, of],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/kitchens', {
          params: { path: { experiment: id }, query: { class: of } },
        }),
      ),
  });
  if (plan.isPending) return <Loading what={say('kitchens.the-kitchens')} />;
  if (plan.isError)
    return (
      <PartError
        what={say('kitchens.the-kitchens')}
        error={plan.error}
        retry={() => void plan.refetch()}
      />
    );
  const m = plan.data;
  const row = m.homes.find((h) => h.home === open);
  return (
    <div className={row ? 'with-sheet' : ''}>
      <main className="work">
        {m.says && <p className="lead-sentence">{m.says}</p>}
        {m.classes.length > 1 && (
          <div className="field-row mb-2">
            <div className="field-150">
              <label className="named" htmlFor="kitchens-class">
                {say('kitchens.class')}
              </label>
              <FormSelect
                id="kitchens-class"
                value={m.class}
                onChange={(e) => change({ class: e.target.value }, { replace: true })}
              >
                {m.classes.map((c) => (
                  <option key={c.id} value={c.id}>
                    {c.name}
                  </option>
                ))}
              </FormSelect>
            </div>
          </div>
        )}
        {m.homes.length === 0 ? (
          <p className="hint">
            {say(m.classes.length === 0 ? 'kitchens.no-class-yet' : 'kitchens.no-homes-yet')}
          </p>
        ) : (
          <Plans m={m} chosen={open} onOpen={setOpen} />
        )}
        {m.homes.length > 0 && <p className="hint small">{say('kitchens.a-dot-is-as-designed')}</p>}
        <Lists m={m} />
      </main>
      {row && (
        <SideSheet
          title={say('kitchens.kitchen-of', { nickname: row.nickname })}
          onClose={() => setOpen(undefined)}
        >
          <HomePlan row={row} needs={m.needs} />
          <KitchenAnswers
            key={row.home}
            of={{ class: m.class, home: row.home }}
            questions={m.questions}
            answers={row.answers}
            onSaved={() => void client.invalidateQueries({ queryKey: ['kitchens', id] })}
          />
        </SideSheet>
      )}
    </div>
  );
}

/** Homes by needs. */
function Plans({
  m,
  chosen,
  onOpen,
}: {
  m: Matrix;
  chosen: string | undefined;
  onOpen: (home: string) => void;
}) {
  return (
    <div className="scroll" tabIndex={0} role="region" aria-label={say('kitchens.plans-by-home')}>
      <Grid dense>
        <thead>
          <tr>
            <th scope="col">{say('classPage.home')}</th>
            <th scope="col">{say('kitchens.takes-part')}</th>
            {m.needs.map((n) => (
              <th key={n.need} scope="col">
                {n.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {m.homes.map((h) => (
            <tr key={h.home} className={h.home === chosen ? 'chosen' : ''}>
              <th scope="row" className="text-nowrap">
                <Button variant="plain" onClick={() => onOpen(h.home)}>
                  <NameLabel name={h.nickname} />
                </Button>
              </th>
              <td className="text-nowrap">
                {verdicts[h.verdict]}
                {h.assumed && <span className="second"> · {say('kitchens.taken-as-usual')}</span>}
              </td>
              {h.cells.map((c, i) => (
                <td key={m.needs[i].need}>
                  <CellWords c={c} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Grid>
    </div>
  );
}

function CellWords({ c }: { c: Cell }) {
  if (c.without) return <span className="second">{say('kitchens.left-out')}</span>;
  if (c.kit)
    return (
      <span className="cell-flag">
        {c.name} · {say('kitchens.to-send')}
      </span>
    );
  if (!c.own)
    return (
      <span title={c.why}>
        {c.name} · {classes[c.class]}
        {c.get && ` · ${say('kitchens.to-get')}`}
      </span>
    );
  if (c.get) return <span className="second">{say('kitchens.to-get')}</span>;
  return (
    <>
      <span aria-hidden="true">·</span>
      <span className="visually-hidden">{say('kitchens.as-designed')}</span>
    </>
  );
}

/** What is sent to whom, and what one thing more would do. */
function Lists({ m }: { m: Matrix }) {
  return (
    <>
      {m.helps.length > 0 && (
        <section className="band" aria-label={say('kitchens.what-helps-most')}>
          <h2>{say('kitchens.what-helps-most')}</h2>
          <ol className="indented">
            {m.helps.map((h) => (
              <li key={h.name}>{say('kitchens.helps', { what: h.name, count: h.homes })}</li>
            ))}
          </ol>
        </section>
      )}
      {m.packing.length > 0 && (
        <section className="band" aria-label={say('kitchens.to-send-or-lend')}>
          <h2>{say('kitchens.to-send-or-lend')}</h2>
          <ul className="indented">
            {m.packing.map((p) => (
              <li key={p.name}>
                {p.homes.length} × {p.name}: <span className="second">{p.homes.join(', ')}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** One home's plan in words. */
function HomePlan({ row, needs }: { row: Row; needs: Matrix['needs'] }) {
  const departs = row.cells
    .map((c, i) => ({ c, need: needs[i] }))
    .filter(({ c }) => !c.own || c.kit || c.get || c.without);
  return (
    <>
      <p className="mt-0">
        <strong>{verdicts[row.verdict]}</strong>
        {row.assumed && ` · ${say('kitchens.taken-as-usual')}`}
      </p>
      <dl>
        {departs.map(({ c, need }) => (
          <div key={need.need}>
            <dt>{need.name}</dt>
            <dd>
              <CellWords c={c} /> {c.amount} <span className="second">{c.why}</span>
            </dd>
          </div>
        ))}
      </dl>
      {row.shared.length > 0 && (
        <p>{say('kitchens.from-you', { readings: row.shared.join(', ') })}</p>
      )}
    </>
  );
}
