import { languageChoices } from '../languages';
import { say } from '../words';
import { TaskFields } from './TaskFields';
import {
  Band,
  ChoiceField,
  PlainField,
  TickField,
  TickList,
  useEditing,
  WordsField,
} from '../draft/fields';

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

/** What families read first, for whom it is, and how and where it is done. */
export function PlanQuestion() {
  const { doc } = useEditing();
  return (
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
      <TaskFields />
      <TickList
        legend={say('plan.languages-families-can-choose')}
        path={['languages']}
        value={doc.languages}
        options={languageChoices}
      />
    </Band>
  );
}
