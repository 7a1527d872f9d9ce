import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useKept } from '../phone/typing';
import { useRemembered } from '../phone/useRemembered';
import { useWords } from '../words';
import type { KeptField } from './CountField';

/** Words of their own, in whichever language they are; kept when it is left. */
export function TextField({ id, draft, typing, state, first, onKeep }: KeptField) {
  const t = useWords();
  const [kept, setKept] = useRemembered<string>(state, `${draft}/text`);
  const keep = useKept(typing, id, async () => {
    if (!kept?.trim()) return;
    await onKeep({ text: kept.trim(), language: document.documentElement.lang });
    setKept(undefined);
  });
  return (
    <div>
      <label htmlFor={id} className="visually-hidden">
        {t('yourWords')}
      </label>
      <FormControl
        id={id}
        as="textarea"
        rows={3}
        maxLength={4000}
        value={kept ?? first?.text ?? ''}
        onChange={(e) => setKept(e.target.value)}
        onBlur={() => void keep()}
      />
      <Button className="w-100 mt-2" onClick={() => void keep()}>
        {t('keep')}
      </Button>
    </div>
  );
}
