import { useCore } from '../phone/useCore';
import { useKept, type Typing } from '../phone/typing';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';
import { answered, QuestionField, said, useDraft, type Question } from './Questions';

/** A question in a step or afterwards: kept when it is left, and every version of it stays. */
export function AskedQuestion({
  state,
  bundle,
  sheet,
  book,
  question,
  step,
  typing,
}: WorkProps & { typing: Typing; question: Question; step?: string }) {
  const t = useWords();
  const core = useCore();
  const kept = book.answer(question.id);
  const [given, set, forget] = useDraft(state, sheet.assignment, question.id, {
    text: '',
    choice: [],
  });
  const save = useKept(typing, question.id, async () => {
    if (!answered(question, given)) return;
    await state.add(sheet.assignment, {
      kind: 'answer',
      step,
      question: question.id,
      text: given.text,
      choice: given.choice,
    });
    set({ text: '', choice: [] });
    forget();
  });
  return (
    <div onBlur={(e) => !e.currentTarget.contains(e.relatedTarget) && void save()}>
      <QuestionField question={question} value={given} onChange={set} core={core} writer={bundle} />
      {kept && (
        <p className="second">
          {t('saved')}: {said(t, question, kept.entry)}
        </p>
      )}
    </div>
  );
}
