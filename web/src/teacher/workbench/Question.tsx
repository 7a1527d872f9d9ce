import { useEffect, useEffectEvent, useState } from 'react';
import type { Schemas } from '../../api/client';
import { Notice } from '../parts/Notice';
import { PartError } from '../parts/states';
import { Said, say } from '../words';
import { useKeys } from '../frame/keys';
import { AnswerView } from './AnswerView';
import { Doubts, Handing, OtherWay, WhatIfs } from './Beside';
import { Blank, labelOf, spoken } from './Blank';
import { Keep } from './Keep';
import { useQuestion, type Model } from './useQuestion';

/** One question: blanks, the answer as a sentence, drawn, with where its doubt comes from, and others beside it. */
export function Question({ model }: { model: Model }) {
  const q = useQuestion(model);
  const { typed, blanks, untouched, folded, answer, good, problem, place, sentence } = q;
  const [hidden, setHidden] = useState(false);
  const [keeping, setKeeping] = useState(false);
  useKeys((key) => {
    if (key === 'w') q.beside();
    else if (/^[1-4]$/.test(key)) document.getElementById(`what-if-${key}`)?.focus();
    else return false;
    return true;
  });
  const keep = useEffectEvent((e: KeyboardEvent) => {
    if (e.key === 'Enter' && e.ctrlKey) setKeeping(true);
  });
  useEffect(() => {
    addEventListener('keydown', keep);
    return () => removeEventListener('keydown', keep);
  }, []);
  const blank = (i: Schemas['DescribedInput']) => (
    <Blank
      key={i.name}
      input={i}
      value={typed[i.name] ?? ''}
      example={model.example[i.name] ?? ''}
      untouched={untouched}
      onChange={(v) => q.type(i.name, v)}
      problem={place === i.name ? problem : undefined}
    />
  );
  return (
    <>
      <section aria-labelledby="question" className="question">
        <h2 id="question">{model.title}</h2>
        {untouched && Object.keys(blanks).length > 0 && (
          <p className="hint">{say('question.worked-example-type-over-it')}</p>
        )}
        <div className="blanks">
          {model.inputs.filter((i) => !folded.includes(i.name)).map(blank)}
        </div>
        {folded.length > 0 && (
          <details className="more" open={folded.includes(place ?? '') || undefined}>
            <summary>
              <Said
                of={say('question.more-that-can-be-said', {
                  join: model.inputs
                    .filter((i) => folded.includes(i.name))
                    .map(labelOf)
                    .join(', '),
                })}
                with={[<span key="0" className="small" />]}
              />
            </summary>
            <div className="blanks">
              {model.inputs.filter((i) => folded.includes(i.name)).map(blank)}
            </div>
          </details>
        )}
        {problem && !q.aboutOne && <Notice live>{spoken(problem.message)}</Notice>}
        {answer.error && (
          <PartError
            what={say('question.the-answer')}
            error={answer.error}
            retry={() => void answer.refetch()}
          />
        )}
        {good?.shown && hidden && (
          <Notice kind="note">{say('question.the-answers-are-hidden-what-do')}</Notice>
        )}
        {!hidden && <AnswerView q={q} />}
        {good?.notes && (
          <Notice kind="note">
            <strong>{say('question.holds-when')}</strong> {good.notes[0]} <br />
            <strong>{say('question.usual-slip')}</strong> {good.notes[1]} <br />
            <strong>{say('question.law')}</strong> {model.source}
          </Notice>
        )}
        <p className="hint small">{say('question.kept-in-the-address-send-the')}</p>
      </section>
      <aside className="bench-side" aria-label={say('question.beside-the-answer')}>
        {keeping && (
          <Keep
            model={model.id}
            typed={blanks}
            sentence={sentence}
            onClose={() => setKeeping(false)}
          />
        )}
        <WhatIfs q={q} hidden={hidden} />
        {!hidden && <OtherWay q={q} />}
        {!hidden && <Doubts q={q} />}
        <Handing q={q} hidden={hidden} onHide={setHidden} onKeep={() => setKeeping(true)} />
      </aside>
    </>
  );
}
