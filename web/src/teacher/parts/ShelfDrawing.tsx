/** Four jars on a ledge, each with a strip in it that has drawn up water: where there is nothing yet to see. */
export function ShelfDrawing() {
  return (
    <svg className="shelf-drawing" viewBox="0 0 340 104" aria-hidden="true">
      <path d="M0 96 H340" stroke="var(--edge)" strokeWidth="5" />
      {[14, 26, 40, 52].map((climb, i) => {
        const x = 24 + i * 80;
        return (
          <g key={climb} transform={`translate(${x} 0)`}>
            <rect x="18" y="6" width="14" height="78" fill="var(--paper)" stroke="var(--edge)" />
            <rect
              x="18"
              y={80 - climb}
              width="14"
              height={climb + 4}
              fill={`var(--series-${i + 1})`}
            />
            <path
              d="M-4 44 H54 M0 44 V88 q0 6 6 6 H44 q6 0 6 -6 V44"
              fill="none"
              stroke="var(--ink-2)"
              strokeWidth="2"
            />
            <path d="M1 74 H49" stroke="var(--slate)" strokeWidth="1.5" />
          </g>
        );
      })}
    </svg>
  );
}
