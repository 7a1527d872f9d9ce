import { scaleLinear } from 'd3-scale';
import { useState, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { NameLabel } from '../../ui/NameLabel';
import { Head } from '../frame/TeacherFrame';
import { ButtonLink } from '../parts/ButtonLink';
import { FileButton } from '../parts/FileButton';
import { Filled } from '../parts/Filled';
import { Grid } from '../parts/Grid';
import { JugAxis } from '../parts/JugAxis';
import { Notice } from '../parts/Notice';
import { ShelfDrawing } from '../parts/ShelfDrawing';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { ThreadFace } from '../parts/ThreadFace';
import { Comparability, Verdict, verdicts } from '../parts/Verdict';
import { Mark, seriesOf } from '../results/series';

const spans = [
  [0, 480, 0, false, false],
  [480, 660, 0, true, false],
  [780, 840, 120, false, true],
  [9000, 9060, 8160, false, true],
].map(([start, end, wait, adult, reads], i) => ({
  step: String(i),
  kind: 'do',
  title: String(i + 1),
  start: Number(start),
  end: Number(end),
  wait: Number(wait),
  fold: Number(wait) > 1800,
  reads: !!reads,
  photo: false,
  adult: !!adult,
}));
const scale = scaleLinear().domain([0, 50]).range([16, 500]);
const ticks = [0, 10, 20, 30, 40, 50];

function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section className="band">
      <h2>
        <code>{name}</code>
      </h2>
      {children}
    </section>
  );
}

const Fields = () => (
  <Part name="FormControl, FormSelect, FormCheck">
    <div className="field-row">
      <div>
        <label className="named" htmlFor="part-text">
          text
        </label>
        <FormControl id="part-text" placeholder="placeholder" />
      </div>
      <div>
        <label className="named" htmlFor="part-long">
          textarea
        </label>
        <FormControl id="part-long" as="textarea" rows={2} defaultValue={'one\ntwo'} />
      </div>
      <div>
        <label className="named" htmlFor="part-date">
          date
        </label>
        <FormControl id="part-date" type="date" defaultValue="2027-02-04" />
      </div>
      <div>
        <label className="named" htmlFor="part-choice">
          choice
        </label>
        <FormSelect id="part-choice">
          <option>one</option>
        </FormSelect>
      </div>
    </div>
    <FormCheck id="part-on" label="on" defaultChecked />
    <FormCheck id="part-off" label="off" />
    <FormCheck id="part-radio" type="radio" label="radio" defaultChecked />
  </Part>
);

const Grids = () => (
  <Part name="Grid">
    {[false, true].map((dense) => (
      <Grid key={String(dense)} dense={dense} className="mb-3">
        <thead>
          <tr>
            <th scope="col">home</th>
            <th scope="col" className="num">
              mm
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">
              <NameLabel name="Snipe" />
            </th>
            <td className="num">12.5</td>
          </tr>
          <tr className="chosen">
            <th scope="row">
              <NameLabel name="Sedge" />
            </th>
            <td className="num cell-flag">8.0</td>
          </tr>
        </tbody>
      </Grid>
    ))}
  </Part>
);

/** Every part of the desk in its states, for whoever changes one: /parts. No teacher comes here. */
export default function Parts() {
  const [open, setOpen] = useState(false);
  const series = seriesOf(
    [...'abcdefgh'].map((c, i) => ({ id: c, name: c.toUpperCase(), control: i === 0 })),
  );
  return (
    <div className={open ? 'with-sheet' : ''}>
      <main className="work">
        <Head title="Parts" />
        <Part name="Button, ButtonLink, FileButton">
          <Button>primary</Button> <Button variant="outline-primary">second</Button>{' '}
          <Button variant="plain">plain</Button> <Button aria-disabled>waits</Button>{' '}
          <ButtonLink to="/parts">link</ButtonLink>{' '}
          <FileButton words="file" accept="*" onFile={() => undefined} />
        </Part>
        <Fields />
        <Part name="Notice">
          <Notice kind="stop">stop</Notice>
          <Notice>mend</Notice>
          <Notice kind="note">note</Notice>
        </Part>
        <Part name="states">
          <Loading what="…" />
          <PartError what="…" error={undefined} retry={() => undefined} />
          <ProblemLine error={new Error()} />
        </Part>
        <Part name="NameLabel">
          <NameLabel name="Fern" /> <NameLabel name="غزال" />{' '}
          <NameLabel name={'Wheatear-and-Golden-Plover-by-the-Beck'.repeat(2)} />
        </Part>
        <Part name="Verdict, Comparability">
          <p className="d-flex flex-wrap gap-3">
            {verdicts.map((v) => (
              <Verdict key={v} v={v} />
            ))}
            {['pools', 'scales', 'separate', 'unsuitable'].map((c) => (
              <Comparability key={c} c={c} />
            ))}
          </p>
        </Part>
        <Grids />
        <Part name="ThreadFace, Filled">
          <ThreadFace spans={spans} />
          {[0, 1, 16, 24].map((n) => (
            <p key={n} className="my-1">
              <Filled done={n} of={24} />
            </p>
          ))}
        </Part>
        <Part name="JugAxis, Mark">
          <svg className="plot" viewBox="0 0 520 90" role="img" aria-label="axis">
            <JugAxis scale={scale} ticks={ticks} side="top" at={26} figure={String} />
            {series.map((s, i) => (
              <g key={s.id}>
                <Mark series={s} x={40 + i * 56} y={54} />
                <Mark series={s} x={40 + i * 56} y={74} open />
              </g>
            ))}
          </svg>
        </Part>
        <Part name="ShelfDrawing">
          <ShelfDrawing />
        </Part>
        <Part name="SideSheet">
          <Button variant="outline-primary" aria-expanded={open} onClick={() => setOpen(!open)}>
            sheet
          </Button>
        </Part>
      </main>
      {open && (
        <SideSheet title="sheet" onClose={() => setOpen(false)}>
          …
        </SideSheet>
      )}
    </div>
  );
}
