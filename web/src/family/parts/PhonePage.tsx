import { createContext, useContext, useEffect, useRef, type ReactNode } from 'react';
import Button from 'react-bootstrap/Button';
import { Icon } from '../../ui/Icon';
import { show } from '../opening';
import type { HomeState } from '../phone/useHome';
import { useWords } from '../words';

export interface Action {
  words: string;
  do: () => void;
  /** Why the action does not work yet; it stays focusable and says so. */
  waits?: string;
}

/** Opens the choice of language from any page; undefined before a home is known. */
export const LanguageContext = createContext<(() => void) | undefined>(undefined);

/** Goes to the list of experiments; undefined where there is one, or where one stands on it. */
export const ListContext = createContext<(() => void) | undefined>(undefined);

interface Props {
  /** Where one is, in words. */
  place: string;
  aside?: ReactNode;
  thread?: ReactNode;
  state?: HomeState;
  action?: Action;
  onWrong?: () => void;
  heading: string;
  children: ReactNode;
  /** Focus goes to the heading when this changes. */
  focusKey: string;
}

/** The frame of every family page: where one is, one thing, one action, and Something went wrong. */
export function PhonePage({
  place,
  aside,
  thread,
  state,
  action,
  onWrong,
  heading,
  children,
  focusKey,
}: Props) {
  const t = useWords();
  const h1 = useRef<HTMLHeadingElement>(null);
  const onLanguage = useContext(LanguageContext);
  const onList = useContext(ListContext);
  useEffect(() => {
    if (focusKey !== 'opening' && focusKey !== 'loading') show();
    h1.current?.focus({ preventScroll: true });
    scrollTo(0, 0);
    document.title = `${heading} · Patient Kitchen`;
  }, [focusKey, heading]);
  return (
    <div className="phone">
      <header>
        <div className="line">
          <span>{place}</span>
          <span className="asides">
            {aside}
            {onList && (
              <Button variant="plain" onClick={onList}>
                {t('yourExperiments')}
              </Button>
            )}
            {onLanguage && (
              <Button variant="plain" onClick={onLanguage}>
                {t('language')}
              </Button>
            )}
          </span>
        </div>
        {thread}
      </header>
      {state && <StateLines state={state} />}
      <main>
        <h1 ref={h1} tabIndex={-1}>
          {heading}
        </h1>
        {children}
      </main>
      <footer>
        {action && (
          <Button
            className="main-action"
            aria-disabled={action.waits ? true : undefined}
            aria-describedby={action.waits ? 'action-waits' : undefined}
            onClick={() => !action.waits && action.do()}
          >
            {action.words}
          </Button>
        )}
        {action?.waits && (
          <span id="action-waits" className="second fine">
            {action.waits}
          </span>
        )}
        {onWrong && (
          <button type="button" className="went-wrong" onClick={onWrong}>
            <Icon name="life-preserver" size={24} /> {t('wentWrong')}
          </button>
        )}
      </footer>
    </div>
  );
}

/** What the connection and the phone's store mean for the family, if they mean anything. */
function StateLines({ state }: { state: HomeState }) {
  const t = useWords();
  const waiting = state.queue.filter((w) => !w.problem);
  return (
    <div role="status">
      {state.stopped && (
        <div className="strip-line brick">
          <Icon name="exclamation-diamond" size={20} />{' '}
          {t(state.stopped === 'replaced-link' ? 'replaced' : 'reopen')}
        </div>
      )}
      {state.storeProblem && (
        <div className="strip-line brick">
          <Icon name="exclamation-diamond" size={20} /> {t('storeFull')}
        </div>
      )}
      {!state.online && !state.stopped && (
        <div className="strip-line">
          <Icon name="cloud-slash" size={20} /> {t('offline')}
        </div>
      )}
      {waiting.length > 0 && (
        <div className="strip-line" data-testid="waiting">
          <Icon name="arrow-repeat" size={20} /> {t('waiting', { count: waiting.length })}
        </div>
      )}
    </div>
  );
}
