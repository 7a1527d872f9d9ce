import { useState, type KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import { NameLabel } from '../../ui/NameLabel';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { CellMark, markWords, verdicts, type Cell, type Matrix, type Row } from './KitchenMarks';

export interface Place {
  home: string;
  need?: string;
}

interface Props {
  m: Matrix;
  /** What it was before something was tried. */
  before?: Matrix;
  rows: Row[];
  chosen: Place | undefined;
  onOpen: (place: Place) => void;
}

const plain = (c: Cell) => c.own && !c.kit && !c.get && !c.without && !c.name && !c.pinned;

/** Homes by needs. Needs that all do as designed are one narrow column; arrows move from cell to cell. */
export function KitchenMatrix({ m, before, rows, chosen, onOpen }: Props) {
  const [unfolded, setUnfolded] = useState(false);
  const all = m.needs.map((_, i) => i);
  const dull = all.filter((i) => m.homes.every((h) => plain(h.cells[i])));
  const folds = dull.length > 1 && !unfolded;
  const shown = folds ? all.filter((i) => !dull.includes(i)) : all;
  return (
    <div className="scroll" tabIndex={0} role="region" aria-label={say('kitchens.plans-by-home')}>
      <Grid dense className="kitchens" label={say('kitchens.plans-by-home')}>
        <thead>
          <tr>
            <th scope="col">{say('classPage.home')}</th>
            <th scope="col">{say('kitchens.takes-part')}</th>
            {shown.map((i) => (
              <th key={m.needs[i].need} scope="col" title={m.needs[i].name}>
                {m.needs[i].name}
              </th>
            ))}
            {dull.length > 1 && (
              <th scope="col">
                <Button
                  variant="plain"
                  aria-expanded={unfolded}
                  onClick={() => setUnfolded(!unfolded)}
                >
                  {say(unfolded ? 'kitchens.fold' : 'kitchens.needs-as-designed', {
                    count: dull.length,
                  })}
                </Button>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((h) => (
            <tr key={h.home} className={h.home === chosen?.home && !chosen.need ? 'chosen' : ''}>
              <th scope="row" className="text-nowrap">
                <Button variant="plain" onKeyDown={move} onClick={() => onOpen({ home: h.home })}>
                  <NameLabel name={h.nickname} />
                </Button>
              </th>
              <td className={`text-nowrap ${changed(before, h) ? 'tried' : ''}`}>
                {verdicts[h.verdict]}
                {h.assumed && <span className="second"> · {say('kitchens.taken-as-usual')}</span>}
              </td>
              {shown.map((i) => (
                <td
                  key={m.needs[i].need}
                  className={changed(before, h, i) ? 'tried' : h.cells[i].pinned ? 'pinned' : ''}
                >
                  <button
                    type="button"
                    className="cell"
                    onKeyDown={move}
                    aria-label={`${h.nickname}, ${m.needs[i].name}: ${[h.cells[i].name, markWords(h.cells[i])].filter(Boolean).join(', ')}`}
                    aria-pressed={chosen?.home === h.home && chosen.need === m.needs[i].need}
                    onClick={() => onOpen({ home: h.home, need: m.needs[i].need })}
                  >
                    <CellMark c={h.cells[i]} />
                  </button>
                </td>
              ))}
              {dull.length > 1 && <td className="second">{folds && '·'}</td>}
            </tr>
          ))}
        </tbody>
      </Grid>
    </div>
  );
}

/** Whether a home's cell, or how it takes part, is another than before something was tried. */
function changed(before: Matrix | undefined, h: Row, i?: number): boolean {
  const was = before?.homes.find((x) => x.home === h.home);
  if (!was) return false;
  if (i === undefined) return was.verdict !== h.verdict;
  const [a, b] = [was.cells[i], h.cells[i]];
  return a.use !== b.use || a.kit !== b.kit || a.without !== b.without;
}

/** Arrows go from cell to cell, row to row. */
function move(e: KeyboardEvent<HTMLElement>) {
  const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[e.key];
  const td = (e.target as HTMLElement).closest('td, th');
  const tr = td?.parentElement as HTMLTableRowElement | undefined;
  if (!by || !td || !tr) return;
  const rows = [...(tr.parentElement as HTMLTableSectionElement).rows];
  const to = rows[rows.indexOf(tr) + by[0]]?.cells[(td as HTMLTableCellElement).cellIndex + by[1]];
  const button = to?.querySelector('button');
  if (!button) return;
  e.preventDefault();
  button.focus();
}
