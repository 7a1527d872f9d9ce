import { useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { say } from '../words';
import { KitchenHours, KitchenOwn } from './KitchenHours';

type Answers = Schemas['Fields'];

/** What a home told its teacher of its kitchen, typed in: a change is kept at once. */
export function KitchenAnswers({
  of,
  questions,
  own,
  facts,
  answers,
  onSaved,
}: {
  of: { class: string; home: string };
  questions: Schemas['Question'][];
  own: Schemas['OwnRow'][];
  facts: Schemas['Fact'][];
  answers: Answers;
  onSaved: () => void;
}) {
  const [now, setNow] = useState(answers);
  const [error, setError] = useState<unknown>();
  const save = async (next: Answers) => {
    setNow(next);
    setError(undefined);
    try {
      await got(
        api.PUT('/api/v1/classes/{class}/homes/{home}/kitchen', {
          params: { path: of },
          body: next,
        }),
      );
      onSaved();
    } catch (e) {
      setError(e);
    }
  };
  const thing = (id: string, answer: string) => {
    const things = { ...now.things };
    if (answer) things[id] = answer;
    else delete things[id];
    void save({ ...now, things });
  };
  const tool = (id: string, step: string) => {
    const tools = { ...now.tools };
    if (step) tools[id] = step;
    else delete tools[id];
    void save({ ...now, tools });
  };
  const fact = (id: string, answer: string) => {
    const said = { ...now.facts };
    if (answer) said[id] = answer;
    else delete said[id];
    void save({ ...now, facts: said });
  };
  const shown = questions.filter((q) => !q.for || now.things[q.for] === 'none');
  return (
    <section aria-label={say('kitchens.what-it-has')}>
      <h3>{say('kitchens.what-it-has')}</h3>
      {shown.map((q) => (
        <div key={q.id} className="field-row">
          <label className="grows" htmlFor={`kitchen-${q.id}`}>
            {q.name}
          </label>
          <div className="field-150">
            <FormSelect
              id={`kitchen-${q.id}`}
              value={(q.tool ? now.tools?.[q.id] : now.things[q.id]) ?? ''}
              onChange={(e) => (q.tool ? tool : thing)(q.id, e.target.value)}
            >
              <option value="">{say('kitchens.not-said')}</option>
              {(q.tool
                ? (q.steps ?? []).map((s) => [s, say('kitchens.shows', { step: s })])
                : [
                    ['have', say('kitchens.have')],
                    ['get', say('kitchens.can-get')],
                  ]
              ).map(([value, words]) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
              <option value="none">{say('kitchens.has-none')}</option>
            </FormSelect>
          </div>
        </div>
      ))}
      {facts.map((f) => (
        <div key={f.id} className="field-row">
          <label className="grows" htmlFor={`fact-${f.id}`}>
            {f.ask}
          </label>
          <div className="field-150">
            <FormSelect
              id={`fact-${f.id}`}
              value={now.facts?.[f.id] ?? ''}
              onChange={(e) => fact(f.id, e.target.value)}
            >
              <option value="">{say('kitchens.not-said')}</option>
              <option value="no">{say('kitchens.no')}</option>
              <option value="yes">{say('kitchens.yes')}</option>
            </FormSelect>
          </div>
        </div>
      ))}
      <KitchenOwn rows={own} answers={now} onSave={(next) => void save(next)} />
      <KitchenHours answers={now} onSave={(next) => void save(next)} />
      {facts.length > 0 && <p className="hint small">{say('kitchens.facts-are-yours-alone')}</p>}
      <span className="tick">
        <input
          type="checkbox"
          className="form-check-input m-0"
          id="kitchen-otherwise"
          checked={now.otherwise ?? false}
          onChange={(e) => void save({ ...now, otherwise: e.target.checked })}
        />
        <label htmlFor="kitchen-otherwise">{say('kitchens.rather-otherwise')}</label>
      </span>
      <ProblemLine error={error} />
    </section>
  );
}
