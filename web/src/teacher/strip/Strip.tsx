import { useRef, useState, type KeyboardEvent } from 'react';
import { layOut, type Part } from '../../ui/thread';
import { useWidth } from '../../ui/useWidth';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import { StepBlock } from './StepBlock';
import type { Block, Steps } from './useSteps';

const gutter = 92;
const least = 30;

interface Props {
  strip: Review['strip'];
  steps: Steps;
  chosen: string | undefined;
  onChoose: (id: string | undefined) => void;
  /** Chooses a step and goes to its sentence. */
  onWrite: (id: string | undefined) => void;
}

/** The procedure to time: lanes from top to bottom, steps as blocks, waits as gaps, long ones folded; drawn, moved and lengthened by hand or by keys. */
export function Strip({ strip, steps, chosen, onChoose, onWrite }: Props) {
  const [ref, width] = useWidth<HTMLDivElement>(776);
  const track = useRef<HTMLDivElement>(null);
  const [carried, setCarried] = useState(false);
  const room = Math.max(width - gutter, strip.blocks.length * (least + 2));
  const parts = layOut(strip.blocks, room, { least, fold: 84 });
  const blocks = parts.filter((p) => p.kind === 'step');
  const rows = strip.lanes.length;
  const laneHeight = Math.max(40, Math.min(68, Math.round(220 / rows)));
  const focus = (id: string | undefined) =>
    requestAnimationFrame(() =>
      track.current?.querySelector<HTMLElement>(`[data-step="${id}"]`)?.focus(),
    );
  const at = strip.blocks.findIndex((b) => b.step === chosen);
  const go = (to: number) => {
    const id = steps.steps[Math.max(0, Math.min(steps.steps.length - 1, to))]?.id;
    onChoose(id);
    focus(id);
  };
  const onKey = (e: KeyboardEvent) => {
    const id = (e.target as HTMLElement).closest('[data-step]')?.getAttribute('data-step');
    // The document knows where the step stands now; what is drawn follows a moment later.
    const i = steps.steps.findIndex((s) => s.id === id);
    if (i < 0 || e.ctrlKey || e.metaKey || e.altKey) return;
    if (act(e.key, i)) e.preventDefault();
  };
  const lasting = (id: string) => {
    const b = strip.blocks.find((x) => x.step === id);
    return b ? (b.end - b.start) / 60 : 2;
  };
  const act = (key: string, i: number): boolean => {
    const { id } = steps.steps[i];
    if (carried && (key === 'ArrowLeft' || key === 'ArrowRight')) {
      steps.move(i, i + (key === 'ArrowRight' ? 1 : -1));
      focus(id);
      return true;
    }
    const acts: Record<string, () => void> = {
      ArrowLeft: () => go(i - 1),
      ArrowRight: () => go(i + 1),
      Home: () => go(0),
      End: () => go(steps.steps.length - 1),
      Enter: () => (carried ? setCarried(false) : onWrite(id)),
      Escape: () => setCarried(false),
      m: () => setCarried(!carried),
      '[': () => steps.last(i, lasting(id) - 1),
      ']': () => steps.last(i, lasting(id) + 1),
      '{': () => steps.last(i, lasting(id) - 5),
      '}': () => steps.last(i, lasting(id) + 5),
      o: () => onWrite(steps.add(i + 1)),
      O: () => onWrite(steps.add(i)),
      y: () => onChoose(steps.copy(i)),
      x: () => nextLanes(i),
      Delete: () => {
        const before = steps.remove(i);
        onChoose(before);
        focus(before);
      },
    };
    acts[key]?.();
    return key in acts;
  };
  /** All at once, each by itself, then each lane alone. */
  const nextLanes = (i: number) => {
    const s = steps.steps[i];
    const ids = strip.lanes.map((l) => l.id).filter(Boolean);
    if (ids.length < 2) return;
    const only = s.conditions?.[0];
    if (!s.each && !only) steps.lanes(i, [], true);
    else steps.lanes(i, ids.slice(only ? ids.indexOf(only) + 1 : 0).slice(0, 1), false);
  };
  const top = 52;
  return (
    <div
      ref={ref}
      className={`strip ${rows > 3 ? 'many' : ''}`}
      data-carried={carried || undefined}
    >
      <div className="strip-scroll">
        <div
          className="strip-track"
          style={{ width: gutter + room, height: top + rows * laneHeight + 4 }}
          ref={track}
          role="toolbar"
          aria-label={say('strip.procedure', {
            steps: strip.blocks.length,
            lanes: rows,
            total: strip.total,
          })}
          onKeyDown={onKey}
        >
          <StripGround strip={strip} top={top} laneHeight={laneHeight} parts={parts} />
          {blocks.map((p, i) => (
            <StepBlock
              key={p.span.step}
              part={p}
              number={i + 1}
              left={gutter}
              top={top}
              laneHeight={laneHeight}
              lanes={strip.lanes}
              chosen={p.span.step === chosen}
              reached={chosen && at >= 0 ? p.span.step === chosen : i === 0}
              onChoose={() => onChoose(p.span.step)}
              onWrite={() => onWrite(p.span.step)}
              onMove={(x) => steps.move(i, placeAt(blocks, x))}
              onLast={(by) => steps.last(i, lasting(p.span.step) + by / perMinute(parts, room))}
            />
          ))}
        </div>
      </div>
      <p className="small second m-0 mt-1">
        {carried
          ? say('strip.carrying')
          : say('strip.in-all', { total: strip.total, hands: strip.hands })}
      </p>
    </div>
  );
}

/** Before which block a place lies. */
function placeAt(blocks: Part<Block>[], x: number): number {
  const i = blocks.findIndex((b) => x < b.x + b.w / 2);
  return i < 0 ? blocks.length - 1 : i;
}

/** How many pixels a minute of hands has; what a block has at least is not to scale. */
function perMinute(parts: Part<Block>[], room: number): number {
  const seconds = parts.reduce(
    (sum, p) =>
      sum + (p.kind === 'step' ? p.span.end - p.span.start : p.kind === 'gap' ? p.span.wait : 0),
    0,
  );
  const fixed = parts.reduce(
    (sum, p) => sum + (p.kind === 'step' ? least : p.kind === 'fold' ? 84 : 0),
    0,
  );
  return Math.max(2, (Math.max(0, room - fixed) / Math.max(1, seconds)) * 60);
}

/** The steps whose times have room on the axis. */
function ticked(parts: Part<Block>[]): Set<string> {
  const out = new Set<string>();
  parts.reduce((free, p) => {
    if (p.kind !== 'step' || p.x < free) return free;
    out.add(p.span.step);
    return p.x + 34;
  }, 0);
  return out;
}

/** What the blocks stand on: the axis, the lanes with their names, gaps and folds. */
function StripGround({
  strip,
  top,
  laneHeight,
  parts,
}: {
  strip: Review['strip'];
  top: number;
  laneHeight: number;
  parts: Part<Block>[];
}) {
  const ticks = ticked(parts);
  return (
    <>
      <span className="strip-name start">{say('strip.start')}</span>
      <span className="strip-name adult">{say('strip.adult')}</span>
      {strip.lanes.map((l, k) => (
        <div
          key={l.id}
          className="strip-lane"
          style={{ top: top + k * laneHeight, height: laneHeight }}
        >
          <span className={`lane-name lane-${k % 8}`} title={l.name}>
            {l.name || say('strip.all')}
          </span>
          {l.differs && <span className="lane-differs">{l.differs}</span>}
        </div>
      ))}
      {parts.map((p) => {
        const left = gutter + p.x;
        if (p.kind === 'step') {
          if (!ticks.has(p.span.step)) return null;
          return (
            <span key={`at ${p.span.step}`} className="strip-tick" style={{ left }}>
              {p.span.at}
            </span>
          );
        }
        return (
          <div
            key={`${p.kind} ${p.span.step}`}
            className={p.kind === 'fold' ? 'strip-fold' : 'strip-gap'}
            style={{ left, width: p.w, top, height: strip.lanes.length * laneHeight }}
          >
            {p.w > 36 && (
              <span>
                {p.span.waits}
                {p.kind === 'fold' && p.span.window && <small>{p.span.window}</small>}
              </span>
            )}
          </div>
        );
      })}
    </>
  );
}
