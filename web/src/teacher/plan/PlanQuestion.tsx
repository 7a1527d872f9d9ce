import Button from 'react-bootstrap/Button';
import { useEditing } from '../draft/fields';
import { say } from '../words';

const starts = [say('plan.start-does'), say('plan.start-how-much'), say('plan.start-which')];

/** What the class wants to find out, as families read it; in an empty design it is the only thing asked, with three ways to begin. */
export function PlanQuestion({ blank }: { blank: boolean }) {
  const { doc, set, language } = useEditing();
  const question = doc.question?.[language] ?? '';
  const elsewhere = Object.values(doc.question ?? {}).find(Boolean);
  const write = (words: string) => set(['question'], { ...doc.question, [language]: words });
  /** Puts a beginning in and the hand on its first gap. */
  const begin = (words: string) => {
    write(words);
    requestAnimationFrame(() => {
      const field = document.querySelector<HTMLTextAreaElement>('#f-question');
      const gap = words.indexOf('…');
      field?.focus();
      field?.setSelectionRange(gap, gap + 1);
    });
  };
  return (
    <section className="mb-3" aria-label={say('plan.question')}>
      <h2>
        {say(blank ? 'plan.what-do-you-want-to-know' : 'plan.the-question-as-families-read-it')}
      </h2>
      <label className="visually-hidden" htmlFor="f-question">
        {say('plan.question')}
      </label>
      <textarea
        id="f-question"
        className="form-control plan-question"
        rows={1}
        maxLength={200}
        value={question}
        placeholder={elsewhere && say('fields.not-yet-in-this-language', { other: elsewhere })}
        onChange={(e) => write(e.target.value.replaceAll('\n', ' '))}
      />
      {!question && !elsewhere && (
        <p className="plan-starts">
          {starts.map((s) => (
            <Button key={s} variant="outline-primary" onClick={() => begin(s)}>
              {s}
            </Button>
          ))}
        </p>
      )}
    </section>
  );
}
