import { useRef, useState, type PointerEvent } from 'react';
import type { Part } from '../../ui/thread';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import type { Drawn } from './parts';

interface Props {
  part: Part<Drawn>;
  left: number;
  top: number;
  laneHeight: number;
  lanes: Review['strip']['lanes'];
  chosen: boolean;
  /** The one that the tab key comes to. */
  reached: boolean;
  onChoose: () => void;
  onWrite: () => void;
  /** Let go at this place of the strip. */
  onMove: (x: number) => void;
  /** Its end was drawn so many pixels later. */
  onLast: (pixels: number) => void;
}

const still = 6; // pixels that a hand trembles

/** A step: one block through all lanes, or one in each lane in which it stands by itself. */
export function StepBlock(p: Props) {
  const { span, x, w } = p.part;
  const begun = useRef<{ x: number; end: boolean } | undefined>(undefined);
  const [shift, setShift] = useState<{ by: number; end: boolean }>();
  const down = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    const box = e.currentTarget.getBoundingClientRect();
    begun.current = { x: e.clientX, end: box.right - e.clientX < 8 };
    e.currentTarget.setPointerCapture(e.pointerId);
  };
  const move = (e: PointerEvent) => {
    const b = begun.current;
    if (b && Math.abs(e.clientX - b.x) > still) setShift({ by: e.clientX - b.x, end: b.end });
  };
  const up = () => {
    begun.current = undefined;
    setShift(undefined);
    if (!shift) return;
    if (shift.end) p.onLast(shift.by);
    else p.onMove(x + shift.by + (shift.by > 0 ? w : 0));
  };
  const through = span.lanes.length === 0;
  const rows = through
    ? [{ id: '', from: 0, n: p.lanes.length }]
    : p.lanes.flatMap((l, k) => (span.lanes.includes(l.id) ? [{ id: l.id, from: k, n: 1 }] : []));
  const own = p.lanes.filter((l) => span.lanes.includes(l.id)).map((l) => l.name);
  const marks = [
    !through && own.length < p.lanes.length ? own.join(', ') : '',
    !through && own.length === p.lanes.length ? say('strip.each') : '',
    span.waits && say('strip.after', { wait: span.waits }),
    span.hands,
    span.job && say(span.job === 'does' ? 'strip.adult-does' : 'strip.adult-near'),
    ...span.pegs.map((g) => g.words),
    span.gate && say('strip.gate'),
  ].filter(Boolean);
  return (
    <button
      type="button"
      className="strip-block"
      data-step={span.step}
      data-chosen={p.chosen || undefined}
      aria-pressed={p.chosen}
      tabIndex={p.reached ? 0 : -1}
      style={{
        left: p.left + x + (shift && !shift.end ? shift.by : 0),
        width: Math.max(10, w - 2 + (shift?.end ? shift.by : 0)),
        height: p.top + p.lanes.length * p.laneHeight,
      }}
      onClick={() => !shift && p.onChoose()}
      onDoubleClick={p.onWrite}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => setShift(undefined)}
    >
      <span className="visually-hidden">
        {say('strip.step', {
          number: span.number,
          title: span.title || say('steps.without-a-name'),
          words: marks.join(', '),
        })}
      </span>
      {span.job && (
        <span aria-hidden="true" className={`strip-adult ${span.job}`}>
          {w > 44 && say(span.job === 'does' ? 'strip.does' : 'strip.near')}
        </span>
      )}
      {rows.map((r, k) => (
        <span
          key={r.id}
          aria-hidden="true"
          className={`strip-body ${span.reads ? 'reads' : ''} ${r.id ? `lane-${r.from % 8}` : ''}`}
          style={{
            top: p.top + r.from * p.laneHeight + 2,
            height: r.n * p.laneHeight - 5,
          }}
        >
          <b>{span.part ? '' : span.number}</b>{' '}
          {k === 0 && w > 64 && <small>{span.part?.long ?? span.hands}</small>}
          {k === 0 && w > 64 && <span className="strip-title">{span.title}</span>}
        </span>
      ))}
      <span aria-hidden="true" className="strip-pegs" style={{ top: p.top - 15 }}>
        {span.pegs.slice(0, Math.max(1, Math.floor(w / 19))).map((g) => (
          <i key={g.sign + g.words} title={g.words} className={g.sign === '!' ? 'hazard' : ''}>
            {g.sign}
          </i>
        ))}
      </span>
      {span.gate && <span className="strip-gate" style={{ top: p.top }} />}
    </button>
  );
}
