/** So many of so many, as a strip of boxes filled from the left; the words stand beside it. */
export function Filled({ done, of, width = 160 }: { done: number; of: number; width?: number }) {
  const box = width / Math.max(1, of);
  return (
    <svg width={width} height="12" viewBox={`0 0 ${width} 12`} aria-hidden="true">
      <path d={`M0 11 H${width}`} stroke="var(--edge)" />
      {Array.from({ length: of }, (_, i) => (
        <rect
          key={i}
          x={i * box + 0.5}
          y={2}
          width={Math.max(1, box - 1.5)}
          height={8}
          fill={i < done ? 'var(--samphire)' : 'var(--paper)'}
          stroke="var(--edge)"
          strokeWidth="0.7"
        />
      ))}
    </svg>
  );
}
