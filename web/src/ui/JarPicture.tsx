/** How full the drawn jar of a level is, by the drawing's id. */
const fill: Record<string, number> = {
  'jar-full': 1,
  'jar-much': 0.75,
  'jar-half': 0.5,
  'jar-little': 0.25,
  'jar-empty': 0,
};

/** A jar drawn as full as a level says, or as a share from 0 to 1; what it means stands beside it in words. */
export function JarPicture({ picture, share }: { picture?: string; share?: number }) {
  const height = 26 * (share ?? fill[picture ?? ''] ?? 0);
  return (
    <svg viewBox="0 0 28 36" width={28} height={36} aria-hidden="true" className="jar-picture">
      <rect x={5} y={33 - height} width={18} height={height} className="content" />
      <path d="M3 3h22M5 5v26q0 2 2 2h14q2 0 2-2V5" className="glass" />
    </svg>
  );
}
