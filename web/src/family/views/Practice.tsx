import { usePractice } from '../phone/usePractice';
import { useWords } from '../words';
import { HomePages } from './HomePage';

/** The pages of a home as its teacher tries them: everything works, nothing is kept or sent. */
export function Practice({
  experiment,
  language,
  onLanguage,
}: {
  experiment: string;
  language: string;
  onLanguage: (l: string) => void;
}) {
  const t = useWords();
  const state = usePractice(experiment, language);
  return (
    <div className="practice">
      <p className="practice-says">{t('practice')}</p>
      <HomePages
        home={experiment}
        language={language}
        onLanguage={onLanguage}
        state={state}
        practice
      />
    </div>
  );
}
