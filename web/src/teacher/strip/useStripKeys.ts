import { useState, type KeyboardEvent } from 'react';
import type { Review } from '../draft/useDraft';
import type { Steps } from './useSteps';

interface Hand {
  strip: Review['strip'];
  steps: Steps;
  onChoose: (id: string | undefined) => void;
  onWrite: (id: string | undefined) => void;
  onHang: (id: string) => void;
  onNote: (id: string) => void;
  onUnfold: (id: string) => void;
  onSplit: (id: string) => void;
  onJoin: (id: string) => void;
  /** Begins a part of the work at a step. */
  onPart: (i: number) => void;
  /** Closes the part that a step is in to one block, or opens it. */
  onClosePart: (id: string) => void;
  focus: (id: string | undefined) => void;
}

/** How long what was typed on a block is meant to last: "12" are minutes, "14h" hours. */
const lasting = /^(\d{1,4}(?:[.,]\d)?)(min|[smhd])?$/;

/** The keys of the strip: they act on the step under the hand. */
export function useStripKeys(hand: Hand) {
  const { strip, steps, onChoose, onWrite, focus } = hand;
  const [carried, setCarried] = useState(false);
  const [typed, setTyped] = useState('');
  const go = (to: number) => {
    const id = steps.steps[Math.max(0, Math.min(steps.steps.length - 1, to))]?.id;
    onChoose(id);
    focus(id);
  };
  const minutes = (id: string) => {
    const b = strip.blocks.find((x) => x.step === id);
    return b ? (b.end - b.start) / 60 : 2;
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
  /** A length in place: digits and a unit, then Enter. */
  const measure = (key: string, i: number): boolean => {
    if (/^[0-9]$/.test(key) || (typed && /^[smhdin.,]$/.test(key))) {
      setTyped(typed + key);
      return true;
    }
    if (!typed) return false;
    setTyped('');
    const said = lasting.exec(typed);
    if (key === 'Enter' && said)
      steps.lastsFor(i, `${said[1]} ${said[2] === 'm' ? 'min' : (said[2] ?? 'min')}`);
    return key === 'Enter' || key === 'Escape';
  };
  const act = (key: string, i: number): boolean => {
    const { id } = steps.steps[i];
    if (carried && (key === 'ArrowLeft' || key === 'ArrowRight')) {
      steps.move(i, i + (key === 'ArrowRight' ? 1 : -1));
      focus(id);
      return true;
    }
    if (measure(key, i)) return true;
    const acts: Record<string, () => void> = {
      ArrowLeft: () => go(i - 1),
      ArrowRight: () => go(i + 1),
      Home: () => go(0),
      End: () => go(steps.steps.length - 1),
      Enter: () => (carried ? setCarried(false) : onWrite(id)),
      Escape: () => setCarried(false),
      m: () => setCarried(!carried),
      '[': () => steps.last(i, minutes(id) - 1),
      ']': () => steps.last(i, minutes(id) + 1),
      '{': () => steps.last(i, minutes(id) - 5),
      '}': () => steps.last(i, minutes(id) + 5),
      o: () => onWrite(steps.add(i + 1)),
      O: () => onWrite(steps.add(i)),
      y: () => onChoose(steps.copy(i)),
      x: () => nextLanes(i),
      h: () => hand.onHang(id),
      i: () => hand.onNote(id),
      u: () => hand.onUnfold(id),
      s: () => hand.onSplit(id),
      j: () => hand.onJoin(id),
      b: () => hand.onPart(i),
      c: () => hand.onClosePart(id),
      Delete: () => {
        const before = steps.remove(i);
        onChoose(before);
        focus(before);
      },
    };
    acts[key]?.();
    return key in acts;
  };
  return {
    carried,
    /** A length that is being typed. */
    typed,
    minutes,
    onKey: (e: KeyboardEvent) => {
      const id = (e.target as HTMLElement).closest('[data-step]')?.getAttribute('data-step');
      // The document knows where the step stands now; what is drawn follows a moment later.
      const i = steps.steps.findIndex((s) => s.id === id);
      if (i < 0 || e.ctrlKey || e.metaKey || e.altKey) return;
      if (act(e.key, i)) e.preventDefault();
    },
  };
}
