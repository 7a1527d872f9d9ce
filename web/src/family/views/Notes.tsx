import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { last } from '../phone/book';
import { useWords } from '../words';
import { useDraft } from './Questions';
import { useKept, type Typing } from '../phone/typing';
import type { WorkProps } from '../phone/work';

/** Words of the student's own, for an observation. Every version is kept. */
export function Notes({
  state,
  sheet,
  book,
  step,
  title,
  evidence,
  typing,
}: WorkProps & { typing: Typing; step: string; title: string; evidence: string }) {
  const t = useWords();
  const id = `note-${evidence}`;
  const kept = last(
    book.of('observation').filter((e) => e.entry.evidence === evidence && e.entry.step === step),
  );
  const [given, set, forget] = useDraft(state, sheet.assignment, id, { text: '', choice: [] });
  const save = useKept(typing, id, async () => {
    if (!given.text.trim()) return;
    await state.add(sheet.assignment, { kind: 'observation', step, evidence, text: given.text });
    set({ text: '', choice: [] });
    forget();
  });
  return (
    <div className="card-paper field">
      <label htmlFor={id} className="fw-bold">
        {title}
      </label>
      {kept && <p className="second">“{kept.entry.text}”</p>}
      <FormControl
        id={id}
        as="textarea"
        rows={2}
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
