import type { Sheet } from '../phone/useHome';
import { useWords } from '../words';

/** The same sheets for paper, in this home's language. */
export function Sheets({
  home,
  assignment,
  printables,
}: {
  home: string;
  assignment: string;
  printables?: Sheet['printables'];
}) {
  const t = useWords();
  const kinds = [
    ...(['safety', 'sheet', 'materials', 'swaps', 'notebook'] as const),
    ...((printables ?? []).length > 0 ? (['printables'] as const) : []),
  ];
  return (
    <p className="second">
      {t('paper')}{' '}
      {kinds.map((s, i) => (
        <span key={s}>
          {i > 0 && ' · '}
          <a
            href={`/api/v1/home/${home}/assignments/${assignment}/print/${s}`}
            target="_blank"
            rel="noreferrer"
          >
            {t(`sheet-${s}`)}
          </a>
        </span>
      ))}
    </p>
  );
}
