import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { JarPicture } from '../../ui/JarPicture';
import { NameLabel } from '../../ui/NameLabel';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { Mark, seriesOf } from './series';
import type { Results } from './useResults';

interface Props {
  r: Results;
  comparison: Schemas['ComparisonView'];
  /** Without names: for a shared screen. */
  anonymous?: boolean;
  onOpen?: (home: string) => void;
}

/** Heaps as jars on ledges: each is filled to how many homes, or animals, stand there; a press names the homes. */
export function LedgePlot({ r, comparison, anonymous, onOpen }: Props) {
  const [open, setOpen] = useState<{ row: number; column: number }>();
  const ledge = comparison.ledge;
  if (!ledge) return <p className="hint">{say('ledgePlot.nothing-is-compared')}</p>;
  const series = seriesOf(
    r.conditions.filter((c) => ledge.rows.some((row) => row.condition === c.id)),
  );
  const chosen = open && ledge.rows[open.row]?.heaps[open.column];
  return (
    <section aria-label={comparison.name} className="ledge-plot">
      {ledge.seen.map((s) => (
        <p key={s}>{s}</p>
      ))}
      <div className="scroll" tabIndex={0} role="region" aria-label={say('ledgePlot.homes-by')}>
        <Grid>
          <caption className="visually-hidden">{comparison.name}</caption>
          <thead>
            <tr>
              <th scope="col">{comparison.name}</th>
              {ledge.columns.map((c) => (
                <th key={c.word} scope="col" className="num">
                  {c.picture && <JarPicture picture={c.picture} />} {c.word}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {ledge.rows.map((row, i) => {
              const mark = series.find((s) => row.condition && s.id === row.condition);
              return (
                <tr key={row.name}>
                  <th scope="row">
                    {mark && (
                      <svg width={14} height={14} viewBox="-7 -7 14 14" aria-hidden="true">
                        <Mark series={mark} x={0} y={0} />
                      </svg>
                    )}{' '}
                    {row.name}
                  </th>
                  {row.heaps.map((heap, k) => (
                    <td key={ledge.columns[k].word} className="num">
                      <Jar
                        heap={heap}
                        most={ledge.most}
                        words={`${row.name}, ${ledge.columns[k].word}`}
                        open={open?.row === i && open.column === k}
                        onOpen={
                          anonymous || heap.homes.length === 0
                            ? undefined
                            : () =>
                                setOpen((o) =>
                                  o?.row === i && o.column === k
                                    ? undefined
                                    : { row: i, column: k },
                                )
                        }
                      />
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </Grid>
      </div>
      {ledge.middles && <p className="hint small m-0">{say('ledgePlot.the-middle-home')}</p>}
      {ledge.animals && <p className="hint small m-0">{say('ledgePlot.animals')}</p>}
      {open && chosen && (
        <p aria-live="polite">
          {ledge.rows[open.row].name}, {ledge.columns[open.column].word}:{' '}
          {chosen.homes.map((id) => (
            <Button key={id} variant="plain" className="me-2" onClick={() => onOpen?.(id)}>
              <NameLabel name={r.homes.find((h) => h.home === id)?.nickname ?? ''} />
            </Button>
          ))}
        </p>
      )}
    </section>
  );
}

/** A jar filled to its number; a press names the homes. */
function Jar({
  heap,
  most,
  words,
  open,
  onOpen,
}: {
  heap: Schemas['HeapView'];
  most: number;
  words: string;
  open: boolean;
  onOpen: (() => void) | undefined;
}) {
  const drawn = (
    <>
      <JarPicture share={heap.n / most} /> {heap.n}
      <span className={heap.middle ? 'middle' : 'no-middle'} aria-hidden="true">
        ◆
      </span>
      {heap.middle && <span className="visually-hidden">{say('ledgePlot.middle')}</span>}
    </>
  );
  if (!onOpen) return <span className="heap">{drawn}</span>;
  return (
    <Button variant="plain" className="heap" aria-expanded={open} onClick={onOpen}>
      <span className="visually-hidden">{words}: </span>
      {drawn}
    </Button>
  );
}
