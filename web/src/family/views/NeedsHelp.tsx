import Button from 'react-bootstrap/Button';
import type { HomeState } from '../phone/useHome';
import { PhonePage } from '../parts/PhonePage';
import { useWords } from '../words';

const called = {
  entry: 'refusedEntry',
  photo: 'refusedPhoto',
  recording: 'refusedRecording',
  incident: 'wentWrong',
  kitchen: 'yourKitchen',
} as const;

/** What the server would not take, with its reason. Nothing is dropped without being asked. */
export function NeedsHelp({
  state,
  onClose,
  onWrong,
}: {
  state: HomeState;
  onClose: () => void;
  onWrong: () => void;
}) {
  const t = useWords();
  return (
    <PhonePage
      place=""
      heading={t('needsHelp')}
      focusKey="help"
      state={state}
      action={{ words: t('back'), do: onClose }}
      onWrong={onWrong}
    >
      {state.queue
        .filter((w) => w.problem)
        .map((w) => {
          const entry = state.entries.find((e) => e.id === w.id)?.entry;
          return (
            <div className="card-paper" key={w.seq}>
              <p>
                <strong>{entry?.typed ?? entry?.text ?? t(called[w.type])}</strong>
              </p>
              <p>{w.problem!.detail}</p>
              <div className="two">
                <Button variant="outline-primary" onClick={() => void state.retry(w)}>
                  {t('tryAgain')}
                </Button>
                <Button variant="outline-primary" onClick={() => void state.drop(w)}>
                  {t('dropIt')}
                </Button>
              </div>
            </div>
          );
        })}
    </PhonePage>
  );
}
