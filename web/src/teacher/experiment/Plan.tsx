import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { Grid } from '../parts/Grid';
import { freshID } from '../draft/document';
import type { Review } from '../draft/useDraft';
import {
  Band,
  ChoiceField,
  PlainField,
  Remove,
  TickField,
  TickList,
  useEditing,
  WordsField,
} from './fields';
import { QuestionRow } from './QuestionRow';
import { languageChoices } from '../languages';
import { useRowKeys } from '../../ui/useRowKeys';
import { say } from '../words';

const ages: [string, string][] = [
  ['5-7', '5–7'],
  ['8-10', '8–10'],
  ['11-13', '11–13'],
  ['14-18', '14–18'],
];
const ways: [string, string][] = [
  ['follow-along', say('plan.follow-along')],
  ['predict-then-try', say('plan.predict-then-try')],
  ['calculate-first', say('plan.calculate-first')],
  ['open-challenge', say('plan.open-challenge')],
  ['watch-shared', say('plan.watch-and-use-shared-readings')],
];

/** Turns a question into a comparison: what is changed, measured, kept; the conditions; what is asked. */
export function Plan({ review }: { review: Review | undefined }) {
  const { doc, set, language } = useEditing();
  const conditions = doc.conditions ?? [];
  const kept = doc.kept ?? [];
  const { keys, takeOut } = useRowKeys(kept.length);
  const questions = doc.questions ?? [];
  const measured = doc.measured?.[0];
  const offered = review?.results[0] ?? [];
  return (
    <main className="work">
      <Band title={say('plan.the-question-as-families-read-it')}>
        <div className="field-row">
          <WordsField label={say('plan.title')} path={['title']} value={doc.title} />
          <div className="grows">
            <WordsField label={say('plan.question')} path={['question']} value={doc.question} />
          </div>
        </div>
        <div className="field-row">
          <ChoiceField
            label={say('plan.for-ages')}
            path={['age_band']}
            value={doc.age_band}
            options={ages}
          />
          <ChoiceField label={say('plan.done-as')} path={['way']} value={doc.way} options={ways} />
          <PlainField
            label={say('plan.lesson-if-it-is-one')}
            path={['lesson']}
            value={doc.lesson}
            hint="45 min"
          />
          <WordsField label={say('plan.where')} path={['place']} value={doc.place} />
        </div>
        <p className="mt-0 mb-2">
          <TickField
            label={say('plan.outdoors-clear-above')}
            path={['outdoors']}
            value={doc.outdoors}
          />
        </p>
        <TickList
          legend={say('plan.languages-families-can-choose')}
          path={['languages']}
          value={doc.languages}
          options={languageChoices}
        />
      </Band>
      <Band title={say('plan.one-thing-changes')}>
        <div className="field-row">
          <WordsField
            label={say('plan.we-change')}
            path={['changed', 'name']}
            value={doc.changed?.name}
          />
          <WordsField
            label={say('plan.we-measure')}
            path={['measured', 0, 'name']}
            value={measured?.name}
          />
          <div>
            <ChoiceField
              label={say('plan.by-the-reading')}
              path={['measured', 0, 'reading']}
              value={measured?.reading}
              options={[
                ['', say('plan.none-yet')],
                ...(doc.readings ?? []).map((r): [string, string] => [
                  r.id,
                  r.name[language] || r.symbol,
                ]),
                ...(doc.derived ?? []).map((r): [string, string] => [
                  r.id,
                  r.name[language] || r.id,
                ]),
              ]}
            />
          </div>
        </div>
        {measured && (
          <div className="field-row">
            <div className="field-320">
              <ChoiceField
                label={say('plan.as-a-result-it-is')}
                path={['measured', 0, 'result']}
                value={measured.result}
                options={[
                  ['', say('plan.none-of-these-every-swap-is')],
                  ...offered.map((r): [string, string] => [r.id, r.text]),
                ]}
              />
            </div>
            <ChoiceField
              label={say('plan.compared-as')}
              path={['measured', 0, 'scale']}
              value={measured.scale}
              options={[
                ['', say('plan.a-difference')],
                ['ratio', say('plan.how-many-times-as-much')],
              ]}
            />
            <PlainField
              label={say('plan.smallest-that-matters')}
              path={['measured', 0, 'matters']}
              value={measured.matters}
              hint={
                measured.scale === 'ratio'
                  ? say('plan.a-factor-such-as-1-2')
                  : say('plan.with-unit-such-as-5-mm')
              }
            />
            <PlainField
              label={say('plan.a-stated-value-if-there-is')}
              path={['measured', 0, 'stated']}
              value={measured.stated}
              hint={say('plan.with-unit')}
            />
          </div>
        )}
        <p className="named mt-0 mb-1">{say('plan.we-keep-the-same')}</p>
        {kept.map((_, i) => (
          <div key={keys[i]} className="field-row mb-1">
            <WordsField
              label={say('plan.kept-the-same', { value: i + 1 })}
              hideLabel
              path={['kept', i, 'name']}
              value={kept[i].name}
            />
            <div className="flex-none">
              <Remove
                what={say('conflict.what-is-kept')}
                onRemove={() => (
                  takeOut(i),
                  set(
                    ['kept'],
                    kept.filter((__, k) => k !== i),
                    say('plan.took-out-what-is-kept'),
                  )
                )}
              />
            </div>
          </div>
        ))}
        <Button variant="outline-primary" onClick={() => set(['kept'], [...kept, { name: {} }])}>
          {say('plan.add-what-is-kept')}
        </Button>
      </Band>
      <Band
        title={say('plan.conditions')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['conditions'],
                [...conditions, { id: freshID('condition', conditions), name: {} }],
              )
            }
          >
            {say('plan.add-a-condition')}
          </Button>
        }
      >
        {conditions.length === 0 && (
          <p className="hint">{say('plan.nothing-is-compared-yet-add-at')}</p>
        )}
        {conditions.length > 0 && (
          <Grid>
            <thead>
              <tr>
                <th scope="col">{say('plan.name')}</th>
                <th scope="col">{say('plan.what-is-different')}</th>
                <th scope="col">{say('plan.comparison')}</th>
                <th scope="col">
                  <span className="visually-hidden">{say('plan.take-out')}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {conditions.map((c, i) => (
                <tr key={c.id}>
                  <td>
                    <WordsField
                      label={say('plan.condition', { value: i + 1 })}
                      hideLabel
                      path={['conditions', i, 'name']}
                      value={c.name}
                    />
                  </td>
                  <td>
                    <WordsField
                      label={say('plan.what-is-different-in-condition', { value: i + 1 })}
                      hideLabel
                      path={['conditions', i, 'description']}
                      value={c.description}
                    />
                  </td>
                  <td>
                    <TickField
                      label={say('plan.untreated')}
                      path={['conditions', i, 'control']}
                      value={c.control}
                    />
                  </td>
                  <td>
                    <Remove
                      what={say('plan.condition-2', { value: i + 1 })}
                      onRemove={() =>
                        set(
                          ['conditions'],
                          conditions.filter((__, k) => k !== i),
                          say('plan.took-out-a-condition'),
                        )
                      }
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </Grid>
        )}
        <div className="field-row mt-2">
          <div className="field-150">
            <label className="named" htmlFor="trials">
              {say('plan.trials-of-each')}
            </label>
            <FormControl
              id="trials"
              type="number"
              min={1}
              max={20}
              value={doc.trials}
              onChange={(e) => set(['trials'], Number(e.target.value) || 1)}
            />
          </div>
        </div>
      </Band>
      <Band
        title={say('plan.questions')}
        aside={
          <Button
            variant="outline-primary"
            onClick={() =>
              set(
                ['questions'],
                [
                  ...questions,
                  { id: freshID('question', questions), when: 'before', kind: 'text', text: {} },
                ],
              )
            }
          >
            {say('plan.add-a-question')}
          </Button>
        }
      >
        {questions.map((q, i) => (
          <QuestionRow
            key={q.id}
            question={q}
            at={i}
            onRemove={() =>
              set(
                ['questions'],
                questions.filter((__, k) => k !== i),
                say('plan.took-out-a-question'),
              )
            }
          />
        ))}
        <p className="hint small">{say('plan.a-prediction-is-saved-before-the')}</p>
      </Band>
      <Band title={say('plan.background-for-you')}>
        <WordsField
          label={say('plan.background')}
          hideLabel
          path={['background']}
          value={doc.background}
          lines={3}
        />
      </Band>
    </main>
  );
}
