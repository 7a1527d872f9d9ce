import { useEffect, useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import type { Schemas } from '../../api/client';
import type { Replace } from '../draft/useDraft';
import { useEditing, WordsField } from '../draft/fields';
import { nameOf } from '../languages';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { SentenceField } from './SentenceField';
import { Taken } from './Taken';
import { useReading, useTaking } from './useSentence';

interface Props {
  at: number;
  /** Raised each time somebody goes on to write here; 0 for nobody. */
  turn: number;
  replace: Replace;
  onNext: () => void;
  onLeave: () => void;
  onChoose: (at: string) => void;
}

/** The chosen step as a sentence in each language of the design, with what was taken from its words. */
export function Sentence({ at, turn, replace, onNext, onLeave, onChoose }: Props) {
  const { doc, language } = useEditing();
  const s = doc.steps![at];
  useEffect(() => {
    if (turn > 0) document.getElementById(`f-steps-${at}-text`)?.focus();
  }, [turn, at]);
  const languages = [language, ...doc.languages.filter((l) => l !== language)];
  return (
    <section className="sentence" aria-label={say('steps.step', { value: at + 1 })}>
      {languages.map((l, i) => (
        <InLanguage
          key={l}
          at={at}
          language={l}
          first={i === 0}
          several={languages.length > 1}
          replace={replace}
          onNext={onNext}
          onLeave={onLeave}
          onChoose={onChoose}
        />
      ))}
      <div className="field-row">
        <WordsField
          label={say('stepSheet.what-families-read-first')}
          path={['steps', at, 'title']}
          value={s.title}
        />
        <WordsField
          label={say('stepSheet.you-should-see')}
          path={['steps', at, 'see']}
          value={s.see}
        />
      </div>
    </section>
  );
}

/** A step's text in one language. */
function InLanguage({
  at,
  language,
  first,
  several,
  replace,
  onNext,
  onLeave,
  onChoose,
}: Omit<Props, 'turn'> & { language: string; first: boolean; several: boolean }) {
  const { doc, set } = useEditing();
  const s = doc.steps![at];
  const text = s.text?.[language] ?? '';
  const reading = useReading(s.id, language);
  const taking = useTaking(s.id, language, text, replace);
  // What is not finished yet is neither taken over nor put differently.
  const pieces = (reading.data?.pieces ?? []).map((p) =>
    taking.pending ? { ...p, given: true } : p,
  );
  const questions = reading.data?.questions ?? [];
  const change = (words: string) => set(['steps', at, 'text'], { ...s.text, [language]: words });
  const composed = !text && reading.data?.composed;
  return (
    <>
      <SentenceField
        id={first ? `f-steps-${at}-text` : `f-steps-${at}-text-${language}`}
        label={
          several
            ? say('sentence.what-to-do-in', { language: nameOf(language) })
            : say('stepSheet.what-to-do')
        }
        language={language}
        value={text}
        pieces={pieces}
        busy={reading.busy}
        summary={say('sentence.summary', {
          taken: pieces.length,
          questions: questions.length,
        })}
        onChange={change}
        onFinish={() => void taking.finish()}
        onEnter={questions.length > 0 ? undefined : onNext}
        onLeave={onLeave}
      />
      {composed && (
        <p className="small m-0 mb-2">
          <span className="second" lang={language}>
            {composed}
          </span>{' '}
          <Button variant="plain" onClick={() => change(composed)}>
            {say('sentence.take-composed')}
          </Button>
        </p>
      )}
      <ProblemLine error={taking.problem} />
      {text && (pieces.length > 0 || (reading.data && !reading.busy)) && (
        <Taken
          pieces={pieces}
          text={text}
          onRewrite={(from, to, value) => void taking.answer({ kind: 'rewrite', from, to, value })}
          onPlain={(words) => void taking.answer({ kind: 'plain', value: words.toLowerCase() })}
          onChoose={onChoose}
        />
      )}
      {text && pieces.some((p) => !p.given) && (
        <p className="small m-0">
          {say('sentence.put-differently')}{' '}
          <Button variant="plain" onClick={() => void taking.again()}>
            {say('sentence.take-over')}
          </Button>
        </p>
      )}
      {questions.map((q) => (
        <OpenQuestion
          key={`${q.from} ${q.words}`}
          question={q}
          onAnswer={(a, typed) => void taking.answer(a, typed)}
        />
      ))}
    </>
  );
}

/** Something the words leave open, with its answers; it waits, and stops nobody. */
function OpenQuestion({
  question: q,
  onAnswer,
}: {
  question: Schemas['OpenQuestion'];
  onAnswer: (answer: Schemas['Revision'], typed?: string) => void;
}) {
  const [typed, setTyped] = useState('');
  return (
    <div className="sentence-question" role="group" aria-label={q.words}>
      <p className="m-0">{q.words}</p>
      {q.answers.map((a) => (
        <Button
          key={a.words + a.change.value}
          variant="outline-primary"
          size="sm"
          onClick={() => onAnswer(a.change)}
        >
          {a.words}
        </Button>
      ))}
      {q.field && (
        <form
          className="sentence-answer"
          onSubmit={(e) => {
            e.preventDefault();
            if (typed.trim()) onAnswer(q.field!, typed);
          }}
        >
          <FormControl
            size="sm"
            aria-label={say('sentence.another-answer')}
            placeholder={say('sentence.another-answer')}
            value={typed}
            maxLength={40}
            onChange={(e) => setTyped(e.target.value)}
          />
          <Button type="submit" variant="outline-primary" size="sm">
            {say('sentence.so')}
          </Button>
        </form>
      )}
    </div>
  );
}
