import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { freshID } from '../draft/document';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { Band, Remove, TickField, useEditing, WordsField } from './fields';

/** What is compared, and how often each is tried. */
export function PlanConditions() {
  const { doc, set } = useEditing();
  const conditions = doc.conditions ?? [];
  return (
    <Band
      title={say('plan.conditions')}
      aside={
        <Button
          variant="outline-primary"
          onClick={() =>
            set(['conditions'], [...conditions, { id: freshID('condition', conditions), name: {} }])
          }
        >
          {say('plan.add-a-condition')}
        </Button>
      }
    >
      {conditions.length === 0 && (
        <p className="hint">{say('plan.nothing-is-compared-yet-add-at')}</p>
      )}
      {conditions.length > 0 && <ConditionTable />}
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
  );
}

function ConditionTable() {
  const { doc, set } = useEditing();
  const conditions = doc.conditions ?? [];
  return (
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
  );
}
