import Button from 'react-bootstrap/Button';
import { NotAtHome } from '../parts/NotAtHome';
import { PhonePage } from '../parts/PhonePage';
import { SharedReadings } from '../parts/SharedReadings';
import { clock } from '../parts/time';
import { useWords } from '../words';
import { Conclusion, ResultTable, useOwnResult } from './Result';
import { Prediction } from './Prediction';
import type { WorkProps } from '../phone/work';

/** For homes that watch, by their own wish or because it is only shown: the teacher's own readings, clearly marked, and the home's own thinking. */
export function Watch({
  view,
  onGo,
  ...props
}: WorkProps & { view: string; onGo: (page: string) => void }) {
  const { state, sheet, book, onWrong } = props;
  const t = useWords();
  const before = sheet.questions.filter((q) => q.when === 'before');
  const predicted = before.every((q) => book.answer(q.id));
  const { own } = useOwnResult(props);
  if (view === 'conclusion') return <Conclusion {...props} onGo={() => onGo('sent')} />;
  if (!predicted || view === 'predict') return <Prediction {...props} onGo={() => onGo('watch')} />;
  return (
    <PhonePage
      place={sheet.title}
      aside={
        !sheet.notice && (
          <Button variant="plain" onClick={() => onGo('permission')}>
            {t('permission')}
          </Button>
        )
      }
      heading={t('shared')}
      focusKey="watch"
      state={state}
      action={{ words: t('nextMeaning'), do: () => onGo('conclusion') }}
      onWrong={onWrong}
    >
      {sheet.watching && (
        <p className="card-paper">
          <strong>{t('lookFor')}</strong> {sheet.watching}
        </p>
      )}
      {sheet.notice ? <OnlyShown {...props} /> : <p>{t('declinedNote')}</p>}
      {sheet.shown.length === 0 ? (
        <p className="card-paper shared">{t('sharedNone')}</p>
      ) : (
        <SharedReadings sheet={sheet} />
      )}
      {own && sheet.shown.length > 0 && <ResultTable sheet={sheet} own={own} shared />}
    </PhonePage>
  );
}

/** What stands on top of an experiment that is only shown: not at home, what is asked, when it is shown. */
export function OnlyShown({ sheet, bundle }: WorkProps) {
  const t = useWords();
  return (
    <>
      <NotAtHome sheet={sheet} />
      <p>{sheet.question}</p>
      {sheet.state === 'waiting' && (
        <p>
          {t('shownAt', { time: clock(sheet.opens_at, bundle.class.zone, bundle.home.locale) })}
        </p>
      )}
    </>
  );
}
