import { useState } from 'react';
import FormCheckInput from 'react-bootstrap/FormCheckInput';
import { api, got } from '../../api/client';
import { NameLabel } from '../../ui/NameLabel';
import type { Bundle, HomeState } from '../phone/useHome';
import { NotAtHome } from '../parts/NotAtHome';
import { PhonePage } from '../parts/PhonePage';
import { ProgressThread } from '../parts/ProgressThread';
import { nameOf } from '../../ui/language';
import { useWords } from '../words';

/** Is this for us, from whom, and in which language? */
export function Welcome({
  state,
  bundle,
  onLanguage,
  onGo,
  onWrong,
}: {
  state: HomeState;
  bundle: Bundle;
  onLanguage: (l: string) => void;
  onGo: () => Promise<void>;
  onWrong: () => void;
}) {
  const t = useWords();
  const [chosen, setChosen] = useState(bundle.home.language);
  const sheet = bundle.sheets[0];
  const inApp = /FBAN|FBAV|Instagram|Line\/|MicroMessenger|; wv\)/.test(navigator.userAgent);
  const choose = async (language: string) => {
    setChosen(language);
    onLanguage(language);
    try {
      await got(
        api.PUT('/api/v1/home/{home}/language', {
          params: { path: { home: state.home } },
          body: { language },
        }),
      );
      await state.refresh();
    } catch {
      // without a connection the page stays in the language it was last read in
    }
  };
  return (
    <PhonePage
      place={bundle.class.school}
      state={state}
      heading={sheet ? sheet.title : t('yourExperiments')}
      focusKey="welcome"
      action={{ words: t('goOn'), do: () => void onGo() }}
      onWrong={onWrong}
    >
      <p className="second">
        {t('from', { teacher: bundle.class.teacher, class: bundle.class.name })}
      </p>
      {inApp && <p className="doubt">{t('inApp')}</p>}
      {sheet && (
        <>
          <NotAtHome sheet={sheet} />
          <p className="larger fw-semibold">{sheet.question}</p>
          {!sheet.notice && (
            <>
              <ProgressThread sheet={sheet} at={-1} />
              <p className="second">{t('takes', { minutes: sheet.minutes, hands: sheet.hands })}</p>
            </>
          )}
        </>
      )}
      <p>
        {t('forHome')} <NameLabel name={bundle.home.nickname} />
      </p>
      <fieldset className="card-paper">
        <legend className="usual fw-bold">{t('whichLanguage')}</legend>
        {bundle.languages.map((l) => (
          <div className="row-48" key={l}>
            <FormCheckInput
              type="radio"

              name="language"
              id={`language-${l}`}
              checked={chosen === l}
              onChange={() => void choose(l)}
            />
            <label htmlFor={`language-${l}`} lang={l}>
              {nameOf(l)}
            </label>
          </div>
        ))}
      </fieldset>
      <p className="hint">
        {t('noAccount')} {t('notYou', { name: bundle.home.nickname })}
      </p>
    </PhonePage>
  );
}
