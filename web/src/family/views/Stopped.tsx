import { Icon } from '../../ui/Icon';
import { PhonePage } from '../parts/PhonePage';
import { useWords } from '../words';
import type { WorkProps } from '../phone/work';

/** The teacher took the experiment back: what to do now, in the teacher's words. */
export function Stopped({ state, sheet, onWrong }: WorkProps) {
  const t = useWords();
  return (
    <PhonePage
      place={sheet.title}
      heading={t('stateRecalled')}
      focusKey="stopped"
      state={state}
      onWrong={onWrong}
    >
      <div className="card-paper stop" role="alert">
        <p>
          <Icon name="x-octagon" size={24} /> <strong>{t('recalled')}</strong>
        </p>
        <p>{sheet.recall_reason}</p>
        <p className="m-0">{t('recalledKept')}</p>
      </div>
    </PhonePage>
  );
}
