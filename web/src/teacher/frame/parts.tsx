import { useEffect, useRef, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { ProblemError, type Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { useEscape } from '../../ui/useEscape';
import { say } from '../words';

/** A part that could not be read: what, and how to go on. */
export function PartError({
  error,
  retry,
  what,
}: {
  error: unknown;
  retry?: () => void;
  what: string;
}) {
  const detail =
    error instanceof ProblemError
      ? error.problem.detail
      : say('parts.something-in-this-page-failed-what');
  return (
    <div className="notice" role="alert">
      <Icon name="exclamation-diamond" /> {say('parts.could-not-be-read', { what, detail })}{' '}
      {retry && (
        <Button variant="plain" onClick={retry}>
          {say('parts.try-again')}
        </Button>
      )}
    </div>
  );
}

export function Loading({ what }: { what: string }) {
  return (
    <p className="hint padded" role="status">
      {say('parts.reading', { what })}
    </p>
  );
}

/** A problem of something just tried, beside the thing. */
export function ProblemLine({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <p className="notice my-2" role="alert">
      {error instanceof ProblemError
        ? error.problem.detail
        : say('parts.that-did-not-work-what-you')}
    </p>
  );
}

/** The side sheet: one at a time, closes with Escape, first focus on its heading. */
export function SideSheet({
  title,
  onClose,
  children,
}: {
  title: ReactNode;
  onClose: () => void;
  children: ReactNode;
}) {
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

type Span = Schemas['SpanView'];
const foldFrom = 30 * 60;

/** An experiment's face: its procedure to time, readings tall, waits longer than half an hour folded. */
export function ThreadFace({ spans, width = 260 }: { spans: Span[]; width?: number }) {
  const parts: { size: number; kind: 'fold' | 'gap' | 'do' | 'read'; adult: boolean }[] = [];
  for (const s of spans) {
    if (s.wait > foldFrom) parts.push({ size: 600, kind: 'fold', adult: false });
    else if (s.wait > 0) parts.push({ size: s.wait, kind: 'gap', adult: false });
    parts.push({
      size: Math.max(90, s.end - s.start),
      kind: s.reads ? 'read' : 'do',
      adult: s.adult,
    });
  }
  const total = parts.reduce((n, p) => n + p.size, 0) || 1;
  let x = 0;
  return (
    <svg className="thread-face" width={width} viewBox={`0 0 ${width} 26`} aria-hidden="true">
      <path d={`M0 21.5 H${width}`} stroke="var(--edge)" strokeWidth="1.5" />
      {parts.map((p) => {
        const from = (x / total) * width;
        const w = (p.size / total) * width;
        x += p.size;
        if (p.kind === 'gap') return null;
        if (p.kind === 'fold') {
          return (
            <g key={from}>
              <rect x={from} y="4" width={w} height="18" fill="var(--fold)" />
              <path
                d={`M${from} 4 l3 3 l-3 3 l3 3 l-3 3 l3 3 l-3 3 M${from + w} 4 l-3 3 l3 3 l-3 3 l3 3 l-3 3 l3 3`}
                fill="none"
                stroke="var(--edge)"
              />
            </g>
          );
        }
        return (
          <rect
            key={from}
            x={from + 0.5}
            y={p.kind === 'read' ? 6 : 13}
            width={Math.max(2, w - 1)}
            height={p.kind === 'read' ? 16 : 9}
            fill={
              p.adult ? 'var(--damson)' : p.kind === 'read' ? 'var(--samphire)' : 'var(--paper)'
            }
            stroke="var(--ink-2)"
            strokeWidth="1"
          />
        );
      })}
    </svg>
  );
}

/** How dates are written: in the language of the page, as in Britain where that is English. */
export const dated = () =>
  document.documentElement.lang === 'en' ? 'en-GB' : document.documentElement.lang;
export const time = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
/** After a number of homes. */
export const homesHave = (n: number) => say('parts.homes-have', { count: n });
/** "31 July 2027". */
export const longDay = (s: string) =>
  new Intl.DateTimeFormat(dated(), {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(s));
/** "Tue 2 Feb" and "10:40", apart. */
export const dayOf = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: zone,
  }).format(new Date(s));
export const clockOf = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
export const day = (s: string, zone?: string) =>
  new Intl.DateTimeFormat(dated(), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(new Date(s));
