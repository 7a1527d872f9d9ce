import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { JarPicture } from '../../ui/JarPicture';
import { NameLabel } from '../../ui/NameLabel';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { Mark, seriesOf } from './series';
import type { Results } from './useResults';

type Comparison = Schemas['ComparisonView'];
type Heap = Schemas['HeapView'];

interface Props {
  r: Results;
  comparison: Comparison;
  /** Without names: for a shared screen. */
  anonymous?: boolean;
  onOpen?: (home: string) => void;
}

/** Homes as jars on ledges: a column a level, option or place, a row a condition or thing; each jar is filled to how many gave it. */
export function LedgePlot({ r, comparison, anonymous, onOpen }: Props) {
  const [open, setOpen] = useState<string>();
  const choices = comparison.choices ?? [];
  const ordered = comparison.kind === 'order';
  const columns = ordered
    ? choices.map((c, i) => ({
        id: c.id,
        picture: undefined,
        word: [i + 1, i === 0 ? comparison.from : i === choices.length - 1 ? comparison.to : '']
          .filter(Boolean)
          .join(' '),
      }))
    : choices;
  const series = seriesOf(r.conditions);
  const rows = comparison.groups.flatMap((g): { id: string; name: string; heaps: Heap[] }[] =>
    ordered
      ? choices.map((c, i) => ({
          id: `${g.condition}/${c.id}`,
          name: [g.name, c.word].filter(Boolean).join(', '),
          heaps: g.places?.[i] ?? [],
        }))
      : [
          {
            id: g.condition,
            name: g.name || say('ledgePlot.all-homes'),
            heaps: g.counted ?? [],
          },
        ],
  );
  const most = Math.max(1, ...comparison.groups.map((g) => g.n));
  const seen = comparison.groups.map((g) => g.seen).filter(Boolean);
  const chosen = rows
    .flatMap((row) => row.heaps.map((heap, i) => ({ key: `${row.id}|${i}`, row, heap, i })))
    .find((x) => x.key === open);
  return (
    <section aria-label={comparison.name} className="ledge-plot">
      {seen.map((s) => (
        <p key={s}>{s}</p>
      ))}
      <div className="scroll" tabIndex={0} role="region" aria-label={say('ledgePlot.homes-by')}>
        <Grid>
          <caption className="visually-hidden">{comparison.name}</caption>
          <thead>
            <tr>
              <th scope="col">{comparison.name}</th>
              {columns.map((c) => (
                <th key={c.id} scope="col" className="num">
                  {c.picture && <JarPicture picture={c.picture} />} {c.word}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const mark = series.find((s) => s.id === row.id);
              return (
                <tr key={row.id}>
                  <th scope="row">
                    {mark && row.id && (
                      <svg width={14} height={14} viewBox="-7 -7 14 14" aria-hidden="true">
                        <Mark series={mark} x={0} y={0} />
                      </svg>
                    )}{' '}
                    {row.name}
                  </th>
                  {row.heaps.map((heap, i) => (
                    <td key={columns[i].id} className="num">
                      <Jar
                        heap={heap}
                        most={most}
                        words={`${row.name}, ${columns[i].word}`}
                        open={open === `${row.id}|${i}`}
                        onOpen={
                          anonymous || heap.n === 0
                            ? undefined
                            : () =>
                                setOpen((o) =>
                                  o === `${row.id}|${i}` ? undefined : `${row.id}|${i}`,
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
      {comparison.groups.some((g) => g.counted?.some((h) => h.middle)) && (
        <p className="hint small m-0">{say('ledgePlot.the-middle-home')}</p>
      )}
      {chosen && (
        <p aria-live="polite">
          {chosen.row.name}, {columns[chosen.i].word}:{' '}
          {chosen.heap.homes.map((id) => (
            <Button key={id} variant="plain" className="me-2" onClick={() => onOpen?.(id)}>
              <NameLabel name={r.homes.find((h) => h.home === id)?.nickname ?? ''} />
            </Button>
          ))}
        </p>
      )}
    </section>
  );
}

/** A jar filled to its number of homes; a press names them. */
function Jar({
  heap,
  most,
  words,
  open,
  onOpen,
}: {
  heap: Heap;
  most: number;
  words: string;
  open: boolean;
  onOpen: (() => void) | undefined;
}) {
  const drawn = (
    <>
      <JarPicture share={heap.n / most} /> {heap.n}
      <span className={heap.middle ? 'middle' : 'invisible'} aria-hidden="true">
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
