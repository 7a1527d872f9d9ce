import type { Part } from '../../ui/thread';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import type { Drawn, StripPart } from './parts';

interface Props {
  strip: Review['strip'];
  gutter: number;
  top: number;
  laneHeight: number;
  parts: Part<Drawn>[];
  closed: string[];
  onUnfold: (step: string) => void;
  onClosePart: (step: string) => void;
}

/** The steps whose times have room on the axis. */
function ticked(parts: Part<Drawn>[]): Set<string> {
  const out = new Set<string>();
  parts.reduce((free, p) => {
    if (p.kind !== 'step' || p.x < free) return free;
    out.add(p.span.step);
    return p.x + 34;
  }, 0);
  return out;
}

/** What the blocks stand on: the axis, the parts of the work, the lanes with their names, gaps and folds. */
export function StripGround(p: Props) {
  const { strip, gutter, top, laneHeight, parts } = p;
  const ticks = ticked(parts);
  return (
    <>
      <span className="strip-name start">{say('strip.start')}</span>
      <span className="strip-name adult">{say('strip.adult')}</span>
      {strip.parts.map((s) => (
        <Bracket key={s.id} part={s} {...p} />
      ))}
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
      {parts.map((q) => {
        const left = gutter + q.x;
        if (q.kind === 'step') {
          if (!ticks.has(q.span.step)) return null;
          return (
            <span key={`at ${q.span.step}`} className="strip-tick" style={{ left }}>
              {q.span.at}
            </span>
          );
        }
        const height = strip.lanes.length * laneHeight;
        return (
          <button
            key={`${q.kind} ${q.span.step}`}
            type="button"
            tabIndex={-1} // reached by u on the step behind it
            className={q.kind === 'fold' ? 'strip-fold' : 'strip-gap'}
            style={{ left, width: q.w, top, height }}
            onClick={() => p.onUnfold(q.span.step)}
          >
            <span className="visually-hidden">{say('unfold.unfold', { wait: q.span.waits })}</span>
            {q.w > 36 && (
              <span aria-hidden="true">
                {q.span.waits}
                {q.kind === 'fold' && q.span.window && <small>{q.span.window}</small>}
              </span>
            )}
          </button>
        );
      })}
    </>
  );
}

/** A part of the work as a bracket over its steps; pressed, it closes to one block and opens again. */
function Bracket({ part, parts, gutter, closed, onClosePart }: Props & { part: StripPart }) {
  const own = parts.filter((q) => q.kind === 'step' && part.steps.includes(q.span.step));
  const last = own.at(-1);
  if (!last) return null;
  const left = gutter + own[0].x;
  const shut = closed.includes(part.id);
  return (
    <button
      type="button"
      tabIndex={-1} // reached by c on one of its steps
      className="strip-part"
      aria-expanded={!shut}
      style={{ left, width: last.x + last.w - own[0].x - 2 }}
      onClick={() => onClosePart(part.steps[0])}
    >
      {say('strip.part', { name: part.name, count: part.steps.length })}
    </button>
  );
}
