import { Icon } from '../../ui/Icon';
import type { HomeState } from '../phone/useHome';
import { useWords } from '../words';

/** Says that something could not be sent and needs a person. */
export function HelpLine({ state, go }: { state: HomeState; go: (to: string) => void }) {
  const t = useWords();
  const refused = state.queue.filter((w) => w.problem);
  if (refused.length === 0) return null;
  return (
    <button type="button" className="choice dashed" onClick={() => go('#/-/help')}>
      <Icon name="exclamation-diamond" size={20} /> {t('needsHelp')} ({refused.length})
    </button>
  );
}
