import { useRef, useState } from 'react';
import { layOut, type Part } from '../../ui/thread';
import { useWidth } from '../../ui/useWidth';
import type { Replace, Review } from '../draft/useDraft';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { NoteLine } from './NoteLine';
import { closedUp, type Drawn } from './parts';
import { PegMenu } from './PegMenu';
import { StepBlock } from './StepBlock';
import { StripGround } from './StripGround';
import { Unfolded } from './Unfolded';
import { useNote } from './useNote';
import type { Steps } from './useSteps';
import { useStripKeys } from './useStripKeys';

const gutter = 92;
const least = 30;

/** What is open over the strip, and of which step. */
export type Opened = { what: 'pegs' | 'note' | 'wait'; step: string } | undefined;

interface Props {
  strip: Review['strip'];
  steps: Steps;
  replace: Replace;
  chosen: string | undefined;
  opened: Opened;
  /** The class that the design is looked at with. */
  class: string;
  onOpen: (what: Opened) => void;
  onChoose: (id: string | undefined) => void;
  /** Chooses a step and goes to its sentence. */
  onWrite: (id: string | undefined) => void;
  /** Goes to a place of the document, or to a step by its id. */
  onPlace: (at: string) => void;
}

/** The procedure to time: lanes from top to bottom, steps as blocks, waits as gaps, long ones folded; drawn, moved and lengthened by hand or by keys. */
export function Strip(props: Props) {
  const { strip, steps, replace, chosen, opened, onOpen, onChoose, onWrite } = props;
  const [ref, width] = useWidth<HTMLDivElement>(776);
  const track = useRef<HTMLDivElement>(null);
  const [closed, setClosed] = useState<string[]>([]);
  const note = useNote(replace, props.onPlace);
  const drawn = closedUp(strip, closed);
  const room = Math.max(width - gutter, drawn.length * (least + 2));
  const parts = layOut(drawn, room, { least, fold: 84 });
  const blocks = parts.filter((p) => p.kind === 'step');
  const rows = strip.lanes.length;
  const laneHeight = Math.max(40, Math.min(68, Math.round(220 / rows)));
  const focus = (id: string | undefined) =>
    requestAnimationFrame(() =>
      track.current?.querySelector<HTMLElement>(`[data-step="${id}"]`)?.focus(),
    );
  const closePart = (id: string) => {
    const part = strip.parts.find((p) => p.steps.includes(id));
    if (!part) return;
    setClosed(
      closed.includes(part.id) ? closed.filter((c) => c !== part.id) : [...closed, part.id],
    );
    focus(part.steps[0]);
  };
  const keys = useStripKeys({
    strip,
    steps,
    onChoose,
    onWrite,
    focus,
    onHang: (step) => onOpen({ what: 'pegs', step }),
    onNote: (step) => onOpen({ what: 'note', step }),
    onUnfold: (step) => waitsFor(strip, step) && onOpen({ what: 'wait', step }),
    onSplit: (step) => void note.split(step),
    onJoin: (step) => void note.join(step),
    onPart: (i) => props.onPlace(steps.part(i)),
    onClosePart: closePart,
  });
  const top = strip.parts.length > 0 ? 72 : 52;
  const shut = () => {
    onOpen(undefined);
    focus(opened?.step);
  };
  return (
    <div
      ref={ref}
      className={`strip ${rows > 3 ? 'many' : ''}`}
      data-carried={keys.carried || undefined}
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
          onKeyDown={keys.onKey}
        >
          <StripGround
            {...{ strip, gutter, top, laneHeight, parts, closed }}
            onUnfold={(step) => onOpen({ what: 'wait', step })}
            onClosePart={closePart}
          />
          {blocks.map((p, i) => (
            <StepBlock
              key={p.span.step}
              part={p}
              left={gutter}
              top={top}
              laneHeight={laneHeight}
              lanes={strip.lanes}
              chosen={p.span.step === chosen}
              reached={
                blocks.some((b) => b.span.step === chosen) ? p.span.step === chosen : i === 0
              }
              onChoose={() => onChoose(p.span.step)}
              onWrite={() => onWrite(p.span.step)}
              onMove={(x) => steps.move(p.span.number - 1, placeAt(blocks, x))}
              onLast={(by) =>
                steps.last(
                  p.span.number - 1,
                  keys.minutes(p.span.step) + by / perMinute(parts, room),
                )
              }
            />
          ))}
        </div>
      </div>
      <p className="small second m-0 mt-1" role="status">
        {keys.typed
          ? say('strip.lasts-typed', { typed: keys.typed })
          : keys.carried
            ? say('strip.carrying')
            : say('strip.in-all', { total: strip.total, hands: strip.hands })}
      </p>
      <ProblemLine error={note.problem} />
      <OpenedOver
        {...props}
        onHang={(peg) => void note.add(opened?.step, { peg })}
        onClose={shut}
      />
    </div>
  );
}

/** What was opened of a step: its pegs, a line of what happens next, or its wait. */
function OpenedOver({
  strip,
  opened,
  class: ofClass,
  replace,
  onPlace,
  onHang,
  onClose,
}: Props & { onHang: Parameters<typeof PegMenu>[0]['onHang']; onClose: () => void }) {
  const at = strip.blocks.findIndex((b) => b.step === opened?.step);
  if (!opened || (at < 0 && opened.step !== '')) return null;
  switch (opened.what) {
    case 'pegs':
      return (
        <PegMenu
          number={at + 1}
          onClose={onClose}
          onHang={(peg) => {
            onClose();
            onHang(peg);
          }}
        />
      );
    case 'note':
      return (
        <NoteLine
          step={opened.step || undefined}
          number={at + 1}
          {...{ replace, onPlace, onClose }}
        />
      );
    case 'wait':
      return (
        <Unfolded
          block={strip.blocks[at]}
          number={at + 1}
          of={strip.blocks.length}
          class={ofClass}
          onClose={onClose}
        />
      );
  }
}

/** Whether something is waited for before a step. */
const waitsFor = (strip: Review['strip'], step: string) =>
  (strip.blocks.find((b) => b.step === step)?.wait ?? 0) > 0;

/** Before which step a place lies. */
function placeAt(blocks: Part<Drawn>[], x: number): number {
  const i = blocks.findIndex((b) => x < b.x + b.w / 2);
  const last = blocks[blocks.length - 1];
  return i < 0
    ? last.span.number - 1 + (last.span.part?.steps.length ?? 1) - 1
    : blocks[i].span.number - 1;
}

/** How many pixels a minute of hands has; what a block has at least is not to scale. */
function perMinute(parts: Part<Drawn>[], room: number): number {
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
