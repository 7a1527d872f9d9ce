import Button from 'react-bootstrap/Button';
import { freshID } from '../draft/document';
import { Remove, useEditing, WordsField } from '../draft/fields';
import { say } from '../words';
import { StepsOf } from './StepsOf';

/** Short pieces of work that are done in any order, and which steps belong to each. */
export function ActivitiesField() {
  const { doc, set } = useEditing();
  const activities = doc.activities ?? [];
  return (
    <>
      <p className="hint mb-1">{say('parts.activities-hint')}</p>
      {activities.map((a, i) => (
        <div key={a.id} className="card-paper">
          <div className="field-row">
            <WordsField
              label={say('parts.activity', { n: i + 1 })}
              path={['activities', i, 'title']}
              value={a.title}
            />
            <div className="flex-none">
              <Remove
                what={say('parts.activity', { n: i + 1 })}
                onRemove={() =>
                  set(
                    ['activities'],
                    activities.filter((x) => x !== a),
                    say('parts.took-out-an-activity'),
                  )
                }
              />
            </div>
          </div>
          <StepsOf path={['activities', i, 'steps']} value={a.steps} />
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() =>
          set(
            ['activities'],
            [...activities, { id: freshID('activity', activities), title: {}, steps: [] }],
          )
        }
      >
        {say('parts.add-an-activity')}
      </Button>
    </>
  );
}
