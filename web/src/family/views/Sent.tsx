import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { PhonePage } from '../parts/PhonePage';
import { useWords } from '../words';
import { HelpLine } from '../parts/HelpLine';
import type { WorkProps } from '../phone/work';

/** “Sent” only when the server has it; otherwise what still waits on this phone. */
export function Sent({ state, sheet, book, go, onWrong }: WorkProps) {
  const t = useWords();
  const waiting = state.queue.filter((w) => !w.problem).length;
  const safe = waiting === 0 && Boolean(book.sent()?.answer);
  const measured = sheet.steps
    .flatMap((s) => s.takes)
    .filter((slot) => book.present(slot)?.answer).length;
  const photos = sheet.evidence.filter((e) => book.photos(e.id).some((p) => p.answer)).length;
  const watching = Boolean(sheet.notice) || sheet.permission.state === 'declined';
  return (
    <PhonePage
      place={sheet.title}
      heading={t(safe ? 'sentTitle' : 'sentNot')}
      focusKey="sent"
      state={state}
      action={{
        words: t('toResult'),
        do: () => go(`#/${sheet.assignment}/${watching ? 'watch' : 'result'}`),
      }}
      onWrong={onWrong}
    >
      <div
        className={`card-paper ${safe ? '' : 'shared'}`}
        role="status"
        data-testid="sent-state"
        data-safe={safe}
      >
        {safe ? (
          <p className="m-0">
            <Icon name="send-check" size={24} />{' '}
            {t('sentSafe', {
              measurements: t('measurements', { count: measured }),
              photos: t('photos', { count: photos }),
            })}
          </p>
        ) : (
          <p className="m-0">
            <Icon name="arrow-repeat" size={24} /> {t('notSentYet')}
          </p>
        )}
      </div>
      {safe && <p>{t('closeOk')}</p>}
      {safe && sheet.explained?.why && (
        <section className="card-paper">
          <h2>{t('explained')}</h2>
          <p className="m-0">{sheet.explained.why}</p>
          {sheet.explained.deeper && (
            <details>
              <summary>{t('goDeeper')}</summary>
              <p className="m-0">{sheet.explained.deeper}</p>
            </details>
          )}
        </section>
      )}
      {safe && sheet.explained?.next && (
        <section className="card-paper">
          <h2>{t('tryNext')}</h2>
          <p className="m-0">{sheet.explained.next}</p>
        </section>
      )}
      <HelpLine state={state} go={go} />
      <p>
        {!watching && (
          <Button variant="plain" onClick={() => go(`#/${sheet.assignment}/step/1`)}>
            {t('lookBack')}
          </Button>
        )}
      </p>
      {!sheet.notice && (
        <p>
          <Button variant="plain" onClick={() => go(`#/${sheet.assignment}/permission`)}>
            {t('permission')}
          </Button>
        </p>
      )}
    </PhonePage>
  );
}
