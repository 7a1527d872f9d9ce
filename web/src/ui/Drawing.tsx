/** A drawing by its strokes: points x,y in thousandths of its width; it is three quarters as high. */
export function Drawing({ strokes, title }: { strokes: string[]; title: string }) {
  const line = (s: string) => `M${s.replace(/ /g, ' L')}${s.includes(' ') ? '' : ` L${s}`}`; // a dot goes to itself
  return (
    <svg className="drawing" viewBox="0 0 1000 750" role="img" aria-label={title}>
      <path d={strokes.map(line).join(' ')} />
    </svg>
  );
}
