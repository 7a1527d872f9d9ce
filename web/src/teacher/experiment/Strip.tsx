import { layOut } from '../../ui/thread';
import { useWidth } from '../../ui/useWidth';
import type { Review } from '../draft/useDraft';
import { say } from '../words';

const height = 112;

type Span = Review['spans'][number];

const words = (seconds: number) =>
  seconds >= 5400 ? `${Math.round(seconds / 360) / 10} h` : `${Math.round(seconds / 60)} min`;

/** The procedure to time, left to right: steps as blocks, waits as gaps, long waits as folds; a ruler, a camera or an adult hangs from its moment. */
export function Strip({
  spans,
  chosen,
  onChoose,
}: {
  spans: Span[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(776);
  const parts = layOut(spans, width, { least: 26, fold: 90 });
  let number = 0;
  return (
    <div ref={ref}>
      <svg
        className="strip"
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={say('steps.the-procedure-to-time')}
      >
        <path d={`M0 34 H${width}`} stroke="var(--edge)" strokeWidth="1.5" />
        {parts.map((p) => {
          if (p.kind === 'gap') {
            return (
              <text
                key={`${p.kind} ${p.span.step}`}
                x={p.x + p.w / 2}
                y={66}
                textAnchor="middle"
                fontSize="12"
                fill="var(--ink-3)"
              >
                {p.w > 40 ? words(p.span.wait) : ''}
              </text>
            );
          }
          if (p.kind === 'fold') {
            const zig = (x: number, by: number) =>
              `M${x} 30 ` +
              Array.from({ length: 9 }, (_, k) => `L${x + (k % 2 ? 0 : by)} ${36 + k * 8}`).join(
                ' ',
              );
            return (
              <g key={`${p.kind} ${p.span.step}`}>
                <rect x={p.x} y={30} width={p.w} height={72} fill="var(--fold)" />
                <path d={zig(p.x + 2, 6)} fill="none" stroke="var(--edge)" />
                <path d={zig(p.x + p.w - 2, -6)} fill="none" stroke="var(--edge)" />
                <text x={p.x + p.w / 2} y={70} textAnchor="middle" fontSize="13">
                  {words(p.span.wait)}
                </text>
              </g>
            );
          }
          number++;
          const on = p.span.step === chosen;
          const marks = [
            p.span.reads && say('strip.reads'),
            p.span.photo && say('strip.photo'),
            p.span.adult && say('strip.adult'),
          ]
            .filter(Boolean)
            .join(', ');
          return (
            <g key={`${p.kind} ${p.span.step}`}>
              <g
                className="block"
                role="button"
                tabIndex={0}
                aria-label={say('strip.step', {
                  number,
                  title: p.span.title,
                  words: words(p.span.end - p.span.start),
                  value: marks ? ', ' + marks : '',
                })}
                aria-pressed={on}
                onClick={() => onChoose(p.span.step)}
                onKeyDown={(e) =>
                  (e.key === 'Enter' || e.key === ' ') &&
                  (e.preventDefault(), onChoose(p.span.step))
                }
              >
                <rect
                  x={p.x + 1}
                  y={44}
                  width={Math.max(8, p.w - 2)}
                  height={50}
                  rx="3"
                  fill={p.span.reads ? 'var(--samphire-tint)' : 'var(--ground)'}
                  stroke={on ? 'var(--ink)' : 'var(--edge)'}
                  strokeWidth={on ? 2.5 : 1}
                />
              </g>
              <g aria-hidden="true" pointerEvents="none">
                <text x={p.x + 6} y={62} fontSize="13" fontWeight="700" fill="var(--ink)">
                  {number}
                </text>
                {p.w > 62 && (
                  <text x={p.x + 6} y={82} fontSize="12" fill="var(--ink-2)">
                    {p.span.title.slice(0, Math.floor(p.w / 7)) +
                      (p.span.title.length > p.w / 7 ? '…' : '')}
                  </text>
                )}
                {p.span.reads && (
                  <Peg x={p.x + p.w / 2 - (p.span.photo ? 9 : 0)}>
                    <path
                      d="M-5 -3 h10 v6 h-10 z M-2.5 -3 v3 M0 -3 v4 M2.5 -3 v3"
                      fill="none"
                      stroke="var(--ink)"
                      strokeWidth="1"
                    />
                  </Peg>
                )}
                {p.span.photo && (
                  <Peg x={p.x + p.w / 2 + (p.span.reads ? 9 : 0)}>
                    <path
                      d="M-5 -2 h2 l1.5 -2 h3 l1.5 2 h2 v6 h-10 z"
                      fill="none"
                      stroke="var(--ink)"
                      strokeWidth="1"
                    />
                    <circle cx="0" cy="1" r="1.7" fill="none" stroke="var(--ink)" />
                  </Peg>
                )}
                {p.span.adult && (
                  <rect
                    x={p.x + 1}
                    y={97}
                    width={Math.max(8, p.w - 2)}
                    height={8}
                    fill="var(--damson)"
                  />
                )}
              </g>
            </g>
          );
        })}
        <text x={2} y={16} fontSize="12" fill="var(--ink-3)">
          {say('strip.start')}
        </text>
        <text x={width - 2} y={16} fontSize="12" textAnchor="end" fill="var(--ink-3)">
          {words(spans[spans.length - 1]?.end ?? 0)}
        </text>
      </svg>
    </div>
  );
}

function Peg({ x, children }: { x: number; children: React.ReactNode }) {
  return (
    <g transform={`translate(${x} 26)`} aria-hidden="true">
      <path d="M0 8 V18" stroke="var(--edge)" />
      <rect x="-8" y="-8" width="16" height="16" rx="3" fill="var(--paper)" stroke="var(--edge)" />
      {children}
    </g>
  );
}
