import { useRef, useState, type PointerEvent } from 'react';
import Button from 'react-bootstrap/Button';
import { Drawing } from '../../ui/Drawing';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { EvidenceProps } from './EvidenceField';

/** Two points nearer than this, in thousandths of the width, are one. */
const nearest = 5;
const most = { strokes: 400, signs: 40_000 };

/** Drawing with a finger, pen or mouse; whoever cannot may say it in words. Kept stroke by stroke, and sent when it is left. */
export function DrawField({
  state,
  sheet,
  book,
  step,
  evidence,
  typing,
  title,
}: EvidenceProps & { title: string }) {
  const t = useWords();
  const id = `drawing-${evidence.id}-${step}`;
  const key = `draw/${sheet.assignment}/${evidence.id}/${step}`;
  const [drawn, setDrawn] = useRemembered<string[]>(state, key);
  const [stroke, setStroke] = useState<string[]>();
  const at = useRef<{ x: number; y: number }>(undefined);
  const sent = book.shown(evidence.id, step)?.entry.value?.strokes;
  const strokes = drawn ?? sent ?? [];
  const full = strokes.length >= most.strokes || strokes.join('').length >= most.signs - 2000;
  const keep = useKept(typing, id, async () => {
    if (!drawn || drawn.length === 0) return;
    await state.add(sheet.assignment, {
      kind: 'observation',
      step,
      evidence: evidence.id,
      value: { strokes: drawn },
    });
    setDrawn(undefined);
  });
  const point = (e: PointerEvent<HTMLElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const x = Math.round((1000 * (e.clientX - box.left)) / box.width);
    const y = Math.round((1000 * (e.clientY - box.top)) / box.width);
    const last = at.current;
    if (last && Math.hypot(x - last.x, y - last.y) < nearest) return undefined;
    at.current = { x, y };
    return `${x},${y}`;
  };
  const down = (e: PointerEvent<HTMLElement>) => {
    if (full) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    at.current = undefined;
    setStroke([point(e)!]);
  };
  const move = (e: PointerEvent<HTMLElement>) => {
    if (!stroke || stroke.length > 300) return;
    const p = point(e);
    if (p) setStroke([...stroke, p]);
  };
  const up = () => {
    if (stroke) setDrawn([...strokes, stroke.join(' ')]);
    setStroke(undefined);
  };
  return (
    <>
      <div
        className="draw-on"
        data-testid={id}
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onPointerCancel={up}
      >
        <Drawing strokes={stroke ? [...strokes, stroke.join(' ')] : strokes} title={title} />
      </div>
      {strokes.length === 0 && <p className="hint m-0">{t('drawHere')}</p>}
      {full && <p className="doubt">{t('drawingFull')}</p>}
      <div className="answers mt-2">
        <Button
          variant="outline-primary"
          disabled={strokes.length === 0}
          onClick={() => setDrawn(strokes.slice(0, -1))}
        >
          {t('strokeBack')}
        </Button>
        <Button
          variant="outline-primary"
          disabled={strokes.length === 0}
          onClick={() => setDrawn([])}
        >
          {t('drawAgain')}
        </Button>
        <Button disabled={!drawn || drawn.length === 0} onClick={() => void keep()}>
          {t('keep')}
        </Button>
      </div>
      {sent && !drawn && (
        <p className="second m-0" aria-live="polite">
          {t('drawingKept')}
        </p>
      )}
    </>
  );
}
