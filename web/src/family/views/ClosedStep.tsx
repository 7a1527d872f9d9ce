import { PhonePage } from '../parts/PhonePage';
import { ProgressThread } from '../parts/ProgressThread';
import { SharedReadings } from '../parts/SharedReadings';
import { usesAt } from '../phone/uses';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';

/** A step that is not for this home: it takes what its teacher found, and goes on. */
export function ClosedStep({
  number,
  onDone,
  state,
  sheet,
  book,
  onWrong,
}: WorkProps & { number: number; onDone: () => void }) {
  const t = useWords();
  const step = sheet.steps[number - 1];
  return (
    <PhonePage
      place={t('stepOf', { n: number, all: sheet.steps.length })}
      thread={<ProgressThread sheet={sheet} at={number - 1} />}
      heading={step.title}
      focusKey={step.id}
      state={state}
      action={{ words: t('goOn'), do: onDone }}
      onWrong={onWrong}
    >
      {usesAt(step, sheet, book).map((u) => (
        <p key={u} className="card-paper">
          {u}
        </p>
      ))}
      <SharedReadings sheet={sheet} />
    </PhonePage>
  );
}
