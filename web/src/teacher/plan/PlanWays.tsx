import { languageChoices } from '../languages';
import { say } from '../words';
import { Said } from './Said';
import { TaskFields } from './TaskFields';
import {
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

/** What it is called, for whom it is, and how and where it is done. */
export function PlanWays() {
  const { doc } = useEditing();
  return (
    <>
      <Said legend={say('plan.name-and-ages')}>
        <WordsField label={say('plan.title')} path={['title']} value={doc.title} />
        <ChoiceField
          label={say('plan.for-ages')}
          path={['age_band']}
          value={doc.age_band}
          options={ages}
        />
        <TickList
          legend={say('plan.languages-families-can-choose')}
          path={['languages']}
          value={doc.languages}
          options={languageChoices}
        />
      </Said>
      <Said legend={say('plan.how-and-where')}>
        <ChoiceField label={say('plan.done-as')} path={['way']} value={doc.way} options={ways} />
        <WordsField label={say('plan.where')} path={['place']} value={doc.place} />
        <PlainField
          label={say('plan.lesson-if-it-is-one')}
          path={['lesson']}
          value={doc.lesson}
          hint="45 min"
        />
        <TickField
          label={say('plan.outdoors-clear-above')}
          path={['outdoors']}
          value={doc.outdoors}
        />
      </Said>
      <TaskFields />
    </>
  );
}
