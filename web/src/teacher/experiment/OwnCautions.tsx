import Button from 'react-bootstrap/Button';
import { verdicts, verdictWords } from '../parts/Verdict';
import { freshID } from '../draft/document';
import { ChoiceField, Remove, useEditing, WordsField } from '../draft/fields';
import { say } from '../words';

/** What the teacher sees and the rules do not: it stands beside them and can only raise a verdict. */
export function OwnCautions() {
  const { doc, set, language } = useEditing();
  const own = doc.cautions ?? [];
  const steps = (doc.steps ?? []).map((s, i): [string, string] => [
    s.id,
    `${i + 1} ${s.title[language] || Object.values(s.title)[0] || ''}`,
  ]);
  return (
    <section aria-label={say('ownCautions.cautions-of-your-own')} className="mt-2">
      {own.map((c, i) => (
        <div key={c.id} className="card-paper mb-2">
          <div className="field-row">
            <ChoiceField
              label={say('ownCautions.your-caution-at-step', { value: i + 1 })}
              path={['cautions', i, 'step']}
              value={c.step}
              options={steps}
            />
            <ChoiceField
              label={say('ownCautions.it-is')}
              path={['cautions', i, 'verdict']}
              value={c.verdict}
              options={[...verdicts].reverse().map((v): [string, string] => [v, verdictWords[v]])}
            />
          </div>
          <WordsField
            label={say('ownCautions.what-could-hurt')}
            path={['cautions', i, 'why']}
            value={c.why}
          />
          <WordsField
            label={say('ownCautions.what-to-do-about-it')}
            path={['cautions', i, 'do']}
            value={c.do}
          />
          <Remove
            what={say('ownCautions.your-caution', { value: i + 1 })}
            onRemove={() =>
              set(
                ['cautions'],
                own.filter((_, k) => k !== i),
                say('ownCautions.took-out-a-caution'),
              )
            }
          />
        </div>
      ))}
      <Button
        variant="outline-primary"
        disabled={steps.length === 0}
        onClick={() =>
          set(
            ['cautions'],
            [
              ...own,
              { id: freshID('caution', own), step: steps[0][0], verdict: 'care', why: {}, do: {} },
            ],
          )
        }
      >
        {say('ownCautions.add-a-caution-of-your-own')}
      </Button>
    </section>
  );
}
