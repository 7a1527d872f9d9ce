import { useWords } from '../words';

/** The same sheets for paper, in this home's language. */
export function Sheets({ home, assignment }: { home: string; assignment: string }) {
  const t = useWords();
  return (
    <p className="second">
      {t('paper')}{' '}
      {(['safety', 'sheet', 'materials', 'substitutions', 'notebook'] as const).map((s, i) => (
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
