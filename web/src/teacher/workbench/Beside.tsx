import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Said, say } from '../words';
import { labelOf, spoken } from './Blank';
import { most, type Model, type Questioned, type Typed } from './useQuestion';

const nameOf = (model: Model, input: string) =>
  labelOf(model.inputs.find((i) => i.name === input)!);

/** Up to four questions beside this one, each with something changed. */
export function WhatIfs({ q, hidden }: { q: Questioned; hidden: boolean }) {
  const { model, blanks, whatIfs, setWhatIfs, others, problem, good, beside } = q;
  return (
    <section aria-labelledby="what-ifs">
      <h3 id="what-ifs">{say('question.what-if')}</h3>
      <ol className="plain-list">
        {whatIfs.map((w, n) => (
          <li
            key={new URLSearchParams(w).toString()}
            id={`what-if-${n + 1}`}
            tabIndex={-1}
            className="what-if"
          >
            <strong>{say('question.what-if-2', { value: n + 1 })}</strong>{' '}
            <span className="small">{difference(model, w, blanks)}</span>
            <br />
            {hidden
              ? ''
              : (others[n]?.data?.sentence ??
                (others[n]?.error ? say('question.could-not-be-answered') : ''))}
            <br />
            <Button variant="plain" onClick={() => setWhatIfs(whatIfs.filter((_, i) => i !== n))}>
              <Said
                of={say('question.remove-what-if', { value: n + 1 })}
                with={[<span key="0" className="visually-hidden" />]}
              />
            </Button>
          </li>
        ))}
      </ol>
      <Button
        variant="outline-primary"
        disabled={!!problem || !good || whatIfs.length >= most}
        onClick={beside}
      >
        {say('question.keep-beside-and-change-something')}
      </Button>
      {whatIfs.length >= most && (
        <p className="hint small">{say('question.four-are-beside-each-other-remove')}</p>
      )}
    </section>
  );
}

/** The other way round: which amount gives a wanted answer. */
export function OtherWay({ q }: { q: Questioned }) {
  const { model, good, inverse, wanted, setWanted, answer } = q;
  if (!good?.shown || !good.main || inverse.length === 0) return null;
  const solved = answer.data?.solved;
  const name = (input: string) => nameOf(model, input);
  return (
    <section aria-labelledby="turn-round">
      <h3 id="turn-round">{say('question.the-other-way-round')}</h3>
      <label htmlFor="wanted" className="small">
        {say('question.wanted', { value: model.words[good.main] })}
      </label>
      <FormControl
        id="wanted"
        value={wanted.wanted}
        placeholder={good.main_text}
        autoComplete="off"
        onChange={(e) => setWanted({ solve: wanted.solve || inverse[0], wanted: e.target.value })}
      />
      <label htmlFor="solve" className="small">
        {say('question.by-changing')}
      </label>
      <FormSelect
        id="solve"
        value={wanted.solve || inverse[0]}
        onChange={(e) => setWanted({ ...wanted, solve: e.target.value })}
      >
        {inverse.map((input) => (
          <option key={input} value={input}>
            {name(input)}
          </option>
        ))}
      </FormSelect>
      {wanted.wanted && solved && (
        <p role="status" className="mt-2 mb-0">
          {solved.problem ? (
            <span className="w-mend">
              {name(solved.input)}: {spoken(solved.problem.message)}
            </span>
          ) : (
            <>
              {name(solved.input)} {solved.typed}{' '}
              <Button variant="plain" onClick={() => q.type(solved.input, solved.typed!)}>
                {say('question.take-it')}
              </Button>
            </>
          )}
        </p>
      )}
    </section>
  );
}

/** Where most of the give or take comes from. */
export function Doubts({ q }: { q: Questioned }) {
  const good = q.good;
  if (!good?.doubts?.length) return null;
  const name = (input: string) => nameOf(q.model, input);
  return (
    <section aria-labelledby="doubts">
      <h3 id="doubts">{say('question.most-of-the-doubt')}</h3>
      <ul className="plain-list doubts">
        {good.doubts
          .filter((d) => d.share >= 0.005)
          .map((d) => (
            <li key={d.input}>
              <span>{name(d.input)}</span>
              <span className="bar" aria-hidden="true">
                <span style={{ width: `${100 * d.share}%` }} />
              </span>
              <span className="num">{Math.round(100 * d.share)} %</span>
            </li>
          ))}
      </ul>
      <p className="small m-0">
        {say('question.read-ten-times-finer-give-or', {
          name: name(good.doubts[0].input),
          finer: good.finer,
          give: good.give,
        })}
      </p>
    </section>
  );
}

/** What can be done with an answer: into a design, copied, on paper, hidden from a shared screen. */
export function Handing({
  q,
  hidden,
  onHide,
  onKeep,
}: {
  q: Questioned;
  hidden: boolean;
  onHide: (hidden: boolean) => void;
  onKeep: () => void;
}) {
  const { model, good, problem, sentence } = q;
  const [copied, setCopied] = useState(false);
  return (
    <section className="ways-out">
      {good?.main && (
        <Button onClick={onKeep} disabled={!!problem}>
          {say('question.put-into-a-design')}
        </Button>
      )}
      <Button
        variant="outline-primary"
        disabled={!good}
        onClick={() =>
          void navigator.clipboard
            ?.writeText([model.title, sentence, ...(good?.steps ?? []), location.href].join('\n'))
            .then(
              () => setCopied(true),
              () => undefined,
            )
        }
      >
        {say('question.copy')}
      </Button>
      <Button variant="outline-primary" onClick={() => print()}>
        {say('codes.print')}
      </Button>
      {copied && (
        <span role="status" className="small">
          {say('question.copied')}
        </span>
      )}
      <FormCheck
        id="hide-answers"
        checked={hidden}
        onChange={(e) => onHide(e.target.checked)}
        label={say('question.hide-answers-for-a-shared-screen')}
      />
    </section>
  );
}

/** What another question has otherwise than the present one. */
function difference(model: Model, then: Typed, now: Typed): string {
  const parts = model.inputs
    .filter((i) => (then[i.name] ?? '') !== (now[i.name] ?? ''))
    .map((i) => `${labelOf(i)} ${then[i.name] || (i.default ?? say('question.left-out'))}`);
  return parts.join(', ') || say('question.the-same');
}
