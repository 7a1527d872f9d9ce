import { useEffect, useRef, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { useEscape } from '../../ui/useEscape';
import { say } from '../words';

interface Props {
  title: ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/**
 * The side sheet: one at a time, closes with Escape, first focus on its heading. The
 * component library's would make the work beside it deaf, and would forget what is
 * typed when the window's width changes: this one does neither.
 */
export function SideSheet({ title, onClose, children }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  const sheet = useRef<HTMLElement>(null);
  useEscape(sheet, onClose);
  useEffect(() => {
    heading.current?.focus({ preventScroll: true });
  }, [title]);
  return (
    <aside
      ref={sheet}
      className="sheet"
      aria-label={typeof title === 'string' ? title : say('parts.side-sheet')}
    >
      <div className="sheet-head">
        <h2 ref={heading} tabIndex={-1}>
          {title}
        </h2>
        <Button variant="outline-primary" onClick={onClose}>
          {say('classForm.close')}
        </Button>
      </div>
      {children}
    </aside>
  );
}
