import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useWords } from '../words';
import { useDraft } from './Questions';
import { useKept } from '../phone/typing';
import type { EvidenceProps } from './EvidenceField';

/** Words of the student's own, for an observation, or who listened to a talk. Every version is kept. */
export function Notes({
  state,
  sheet,
  book,
  step,
  evidence,
  typing,
  title,
  talk,
}: EvidenceProps & { title: string; talk?: boolean }) {
  const t = useWords();
  const pair = evidence.kind.endsWith('-pair');
  const id = pair ? `note-${evidence.id}-${step}` : `note-${evidence.id}`;
  const kept = book.shown(evidence.id, step);
  const [given, set, forget] = useDraft(state, sheet.assignment, id, { text: '', choice: [] });
  const save = useKept(typing, id, async () => {
    if (!given.text.trim()) return;
    await state.add(sheet.assignment, {
      kind: 'observation',
      step,
      evidence: evidence.id,
      text: given.text,
    });
    set({ text: '', choice: [] });
    forget();
  });
  return (
    <div className="field">
      {talk && (
        <p>
          {t('tellIt')} {[evidence.audience, evidence.length].filter(Boolean).join(' · ')}
        </p>
      )}
      <label htmlFor={id} className={talk ? '' : 'visually-hidden'}>
        {talk ? t('whoListened') : title}
      </label>
      {kept?.entry.text && <p className="second">{t('quoted', { text: kept.entry.text })}</p>}
      <FormControl
        id={id}
        as="textarea"
        rows={talk ? 1 : 2}
        maxLength={4000}
        value={given.text}
        onChange={(e) => set({ text: e.target.value, choice: [] })}
        onBlur={() => void save()}
      />
      <Button variant="outline-primary" className="mt-2" onClick={() => void save()}>
        {t('save')}
      </Button>
    </div>
  );
}
