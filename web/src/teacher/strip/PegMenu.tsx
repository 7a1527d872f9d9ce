import { useRef, type KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import { useEscape } from '../../ui/useEscape';
import { say } from '../words';
import { pegs, type Peg } from './useNote';

interface Props {
  number: number;
  onHang: (peg: Peg) => void;
  onClose: () => void;
}

/** What can be hung on a step, each by its letter or a press. */
export function PegMenu({ number, onHang, onClose }: Props) {
  const ref = useRef<HTMLDivElement>(null);
  useEscape(ref, onClose);
  const onKey = (e: KeyboardEvent) => {
    const peg = pegs.find(([key]) => key === e.key)?.[1];
    if (!peg || e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    onHang(peg);
  };
  return (
    <div
      ref={ref}
      className="peg-menu"
      role="toolbar"
      aria-label={say('peg.hang-on-step', { number })}
      onKeyDown={onKey}
    >
      <span aria-hidden="true">{say('peg.hang-on-step', { number })}</span>
      {pegs.map(([key, peg, words], i) => (
        <Button
          key={peg}
          size="sm"
          variant="outline-primary"
          // It is opened by a key or a press, and the next key chooses.
          autoFocus={i === 0}
          onClick={() => onHang(peg)}
        >
          <kbd>{key}</kbd> {words}
        </Button>
      ))}
      <Button size="sm" variant="plain" onClick={onClose}>
        {say('peg.nothing')}
      </Button>
    </div>
  );
}
