import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import { say } from '../words';
import { AnswerPlot } from './AnswerPlot';
import { labelOf } from './Blank';
import type { Questioned } from './useQuestion';

/** The answer: as a sentence, drawn, in numbers, and how it is worked out. */
export function AnswerView({ q }: { q: Questioned }) {
  const { good, problem, sentence, model } = q;
  if (!good?.shown) return null;
  return (
    <>
      <p className={`answer ${problem ? 'stale' : ''}`} role="status">
        {problem && <span className="small">{say('question.before-the-mistake')} </span>}
        {sentence}
      </p>
      {good.finding && (
        <Notice kind="note">
          {good.finding.words}
          {(good.finding.doubts ?? []).map((d) => (
            <p key={d} className="w-mend mt-1 mb-0">
              {d}
            </p>
          ))}
          <p className="small hint mt-1 mb-0">
            {say('question.means-something-when', { conditions: good.finding.conditions })}
          </p>
        </Notice>
      )}
      {good.curve && (
        <AnswerPlot
          curve={good.curve}
          caption={sentence}
          others={q.others.flatMap((o, n) =>
            o.data?.curve ? [{ number: n + 1, curve: o.data.curve }] : [],
          )}
        />
      )}
      {q.amounts.length > 1 && good.curve && <Along q={q} shown={good.curve.vary} />}
      <div className="scroll">
        <Grid className={`answers ${problem ? 'stale' : ''}`}>
          <caption className="visually-hidden">{say('question.all-that-comes-out')}</caption>
          <tbody>
            {model.outputs.map((o) => (
              <tr key={o.name}>
                <th scope="row">{model.words[o.name]}</th>
                <td className="num">{good.shown?.[o.name]}</td>
              </tr>
            ))}
          </tbody>
        </Grid>
      </div>
      {(good.steps?.length ?? 0) > 0 && (
        <details className="working">
          <summary>{say('question.working-step-by-step-for-an')}</summary>
          <ol>
            {good.steps!.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ol>
        </details>
      )}
      {model.id === 'formula' && <StudentLines q={q} />}
    </>
  );
}

/** Which amount the answer is drawn along. */
function Along({ q, shown }: { q: Questioned; shown?: string }) {
  return (
    <p className="along small">
      <label htmlFor="along">{say('question.draw-along')}</label>
      <FormSelect
        id="along"
        value={q.vary || shown || ''}
        onChange={(e) => q.setVary(e.target.value)}
      >
        {!shown && <option value="">{say('question.the-readings')}</option>}
        {q.amounts.map((i) => (
          <option key={i.name} value={i.name}>
            {labelOf(i)}
          </option>
        ))}
      </FormSelect>
    </p>
  );
}

/** A student's own lines, held against the formula. */
function StudentLines({ q }: { q: Questioned }) {
  const student = q.answer.data?.student;
  return (
    <div className="mt-0 mb-3">
      <label htmlFor="student-lines" className="named">
        {say('question.a-students-own-lines')}
      </label>
      <FormControl
        id="student-lines"
        rows={2}
        as="textarea"
        value={q.working}
        spellCheck={false}
        placeholder="(57.3 g − 50.2 g) / 50.2 g × 100 = 14.1"
        onChange={(e) => q.setWorking(e.target.value)}
      />
      {student && (
        <p role="status" className={student.right ? 'w-fine' : 'w-mend'}>
          {student.words}
        </p>
      )}
    </div>
  );
}
