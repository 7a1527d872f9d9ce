import Button from 'react-bootstrap/Button';
import type { Reply } from '../core';
import type { LocalEntry } from '../phone/db';
import type { HomeState } from '../phone/useHome';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';

interface Props {
  entry: LocalEntry;
  reply: Reply | undefined;
  id: string;
  state: HomeState;
  onOffer: (text: string) => void;
  onNotRead: () => void;
  onChange: () => void;
}

/** A kept value, shown back as it was read. What differs from what was typed waits for a tap; a question offers what would answer it. */
export function KeptReading({ entry, reply, id, state, onOffer, onNotRead, onChange }: Props) {
  const t = useWords();
  const [accepted, setAccepted] = useRemembered<boolean>(state, `accepted/${entry.id}`);
  const accept = () => setAccepted(true);
  const typed = entry.entry.typed ?? '';
  const asked = reply?.state === 'question' || reply?.state === 'unread';
  const doubt = !accepted && (reply?.confirm || (reply?.messages ?? []).length > 0);
  return (
    <>
      <p className="m-0" aria-live="polite">
        {reply ? t('kept', { value: reply.echo || typed }) : t('keptTyped', { value: typed })}{' '}
        {reply?.echo && !doubt && (reply.assumed || reply.confirm) && (
          <span className="hint">({t('youWrote', { value: typed })})</span>
        )}{' '}
        <Button id={id} variant="plain" onClick={onChange}>
          {t('change')}
        </Button>
      </p>
      {doubt && (
        <div className="doubt" role="group" aria-label={t('lookOnce')}>
          {reply?.confirm && reply.echo && (
            <p className="mt-0 mb-2">{t('weRead', { typed, value: reply.echo })}</p>
          )}
          {reply?.messages?.map((m) => (
            <p key={m} className="mt-0 mb-2">
              {m}
            </p>
          ))}
          <div className="answers">
            {reply?.offers?.map((text) => (
              <Button
                key={text}

                variant="outline-primary"
                onClick={() => onOffer(text)}
              >
                {text}
              </Button>
            ))}
            {asked ? (
              <Button variant="outline-primary" onClick={onNotRead}>
                {t('notRead')}
              </Button>
            ) : (
              <Button variant="outline-primary" onClick={accept}>
                {t(reply?.confirm ? 'yesThat' : 'keepIt')}
              </Button>
            )}
            <Button variant="outline-primary" onClick={onChange}>
              {t('change')}
            </Button>
          </div>
        </div>
      )}
    </>
  );
}
