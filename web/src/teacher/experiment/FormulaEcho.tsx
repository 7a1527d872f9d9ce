import { useEffect, useRef, useState } from 'react';
import { ask, type Schemas } from '../../api/client';
import { useEditing } from './fields';
import { say } from '../words';

/** The server's word on a formula while it is typed; a stale answer is dropped. */
export function FormulaEcho({ formula, unit }: { formula: string; unit: string }) {
  const { doc } = useEditing();
  const [answer, setAnswer] = useState<Schemas['FormulaView']>();
  const sequence = useRef(0);
  const key = JSON.stringify([formula, unit, doc.readings, doc.constants, doc.trials]);
  useEffect(() => {
    if (!formula) return setAnswer(undefined);
    const abort = new AbortController();
    const mine = ++sequence.current;
    const timer = setTimeout(() => {
      ask<Schemas['FormulaView']>('POST', '/preview/formula', { body: { sequence: mine, document: doc, formula, unit }, signal: abort.signal }).then((a) => a.sequence === sequence.current && setAnswer(a), () => undefined);
    }, 250);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [key]); // eslint-disable-line react-hooks/exhaustive-deps
  if (!answer) return null;
  if (answer.ok) return <span className="hint small">{say('formulaEcho.gives', { value: answer.of ? say('formulaEcho.a-share-in-of', { of: answer.of }) : say('formulaEcho.a-value-in', { value: answer.unit || say('formulaEcho.plain-numbers') }) })}</span>;
  return (
    <span className="small w-mend" role="status">
      {answer.position < answer.end && <>{say('formulaEcho.at', { formula: formula.slice(answer.position, answer.end) })}{' '}</>}
      {answer.problem}
    </span>
  );
}
