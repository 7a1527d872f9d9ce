import { freshID } from '../draft/document';
import type { Review } from '../draft/useDraft';
import { Band, ChoiceField, PlainField, Remove, TickField, TickList, useEditing, WordsField } from './fields';
import { QuestionRow } from './QuestionRow';

const ages: [string, string][] = [['5-7', '5–7'], ['8-10', '8–10'], ['11-13', '11–13'], ['14-18', '14–18']];
const ways: [string, string][] = [['follow-along', 'follow along'], ['predict-then-try', 'predict, then try'], ['calculate-first', 'calculate first'], ['open-challenge', 'open challenge'], ['watch-shared', 'watch and use shared readings']];

/** Turns a question into a comparison: what is changed, measured, kept; the conditions; what is asked. */
export function Plan({ review }: { review: Review | undefined }) {
  const { doc, set, language } = useEditing();
  const conditions = doc.conditions ?? [];
  const kept = doc.kept ?? [];
  const questions = doc.questions ?? [];
  const measured = doc.measured?.[0];
  const offered = review?.results[0] ?? [];
  return (
    <main className="work">
      <Band title="The question, as families read it">
        <div className="field-row">
          <WordsField label="Title" path={['title']} value={doc.title} />
          <div style={{ flex: '3 1 320px' }}>
            <WordsField label="Question" path={['question']} value={doc.question} />
          </div>
        </div>
        <div className="field-row">
          <ChoiceField label="For ages" path={['age_band']} value={doc.age_band} options={ages} />
          <ChoiceField label="Done as" path={['way']} value={doc.way} options={ways} />
          <PlainField label="Lesson, if it is one" path={['lesson']} value={doc.lesson} hint="45 min" />
          <WordsField label="Where" path={['place']} value={doc.place} />
        </div>
        <p style={{ margin: '0 0 8px' }}>
          <TickField label="outdoors, clear above" path={['outdoors']} value={doc.outdoors} />
        </p>
        <TickList legend="Languages families can choose" path={['languages']} value={doc.languages} options={[['en', 'English'], ['es', 'Español']]} />
      </Band>
      <Band title="One thing changes">
        <div className="field-row">
          <WordsField label="We change" path={['changed', 'name']} value={doc.changed?.name} />
          <WordsField label="We measure" path={['measured', 0, 'name']} value={measured?.name} />
          <div>
            <ChoiceField label="by the reading" path={['measured', 0, 'reading']} value={measured?.reading} options={[['', 'none yet'], ...(doc.readings ?? []).map((r): [string, string] => [r.id, r.name[language] || r.symbol]), ...(doc.derived ?? []).map((r): [string, string] => [r.id, r.name[language] || r.id])]} />
          </div>
        </div>
        {measured && (
          <div className="field-row">
            <div style={{ flex: '0 1 320px' }}>
              <ChoiceField label="as a result, it is" path={['measured', 0, 'result']} value={measured.result} options={[['', 'none of these: every swap is a group of its own'], ...offered.map((r): [string, string] => [r.id, r.text])]} />
            </div>
            <ChoiceField label="compared as" path={['measured', 0, 'scale']} value={measured.scale} options={[['', 'a difference'], ['ratio', 'how many times as much']]} />
            <PlainField label="Smallest that matters" path={['measured', 0, 'matters']} value={measured.matters} hint={measured.scale === 'ratio' ? 'a factor, such as 1.2' : 'with unit, such as 5 mm'} />
            <PlainField label="A stated value, if there is one" path={['measured', 0, 'stated']} value={measured.stated} hint="with unit" />
          </div>
        )}
        <p className="named" style={{ margin: '0 0 4px' }}>
          We keep the same
        </p>
        {kept.map((_, i) => (
          <div key={i} className="field-row" style={{ marginBottom: 4 }}>
            <WordsField label={`Kept the same ${i + 1}`} hideLabel path={['kept', i, 'name']} value={kept[i].name} />
            <div style={{ flex: '0 0 auto' }}>
              <Remove what="what is kept" onRemove={() => set(['kept'], kept.filter((__, k) => k !== i), 'Took out what is kept')} />
            </div>
          </div>
        ))}
        <button type="button" className="btn btn-outline-primary" onClick={() => set(['kept'], [...kept, { name: {} }])}>
          Add what is kept
        </button>
      </Band>
      <Band title="Conditions" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['conditions'], [...conditions, { id: freshID('condition', conditions), name: {} }])}>Add a condition</button>}>
        {conditions.length === 0 && <p className="hint">Nothing is compared yet. Add at least two conditions.</p>}
        {conditions.length > 0 && (
          <table className="grid">
            <thead>
              <tr>
                <th scope="col">name</th>
                <th scope="col">what is different</th>
                <th scope="col">comparison</th>
                <th scope="col"><span className="visually-hidden">take out</span></th>
              </tr>
            </thead>
            <tbody>
              {conditions.map((c, i) => (
                <tr key={i}>
                  <td><WordsField label={`Condition ${i + 1}`} hideLabel path={['conditions', i, 'name']} value={c.name} /></td>
                  <td><WordsField label={`What is different in condition ${i + 1}`} hideLabel path={['conditions', i, 'description']} value={c.description} /></td>
                  <td><TickField label="untreated" path={['conditions', i, 'control']} value={c.control} /></td>
                  <td><Remove what={`condition ${i + 1}`} onRemove={() => set(['conditions'], conditions.filter((__, k) => k !== i), 'Took out a condition')} /></td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <div className="field-row" style={{ marginTop: 8 }}>
          <div style={{ flex: '0 0 160px' }}>
            <label className="named" htmlFor="trials">Trials of each</label>
            <input id="trials" type="number" min={1} max={20} className="form-control" value={doc.trials} onChange={(e) => set(['trials'], Number(e.target.value) || 1)} />
          </div>
        </div>
      </Band>
      <Band title="Questions" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['questions'], [...questions, { id: freshID('question', questions), when: 'before', kind: 'text', text: {} }])}>Add a question</button>}>
        {questions.map((q, i) => (
          <QuestionRow key={q.id} question={q} at={i} onRemove={() => set(['questions'], questions.filter((__, k) => k !== i), 'Took out a question')} />
        ))}
        <p className="hint small">A prediction is saved before the first doing step and cannot be changed.</p>
      </Band>
      <Band title="Background, for you">
        <WordsField label="Background" hideLabel path={['background']} value={doc.background} lines={3} />
      </Band>
    </main>
  );
}
