import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { freshID } from '../draft/document';
import type { Replace } from '../draft/useDraft';
import { Grid } from '../parts/Grid';
import { say } from '../words';
import { LanesLine } from './LanesLine';
import { Said } from './Said';
import {
  Band,
  ChoiceField,
  PlainField,
  Remove,
  TickField,
  useEditing,
  WordsField,
} from '../draft/fields';

/** What is compared, and how often each is tried. */
export function PlanConditions({ replace }: { replace: Replace }) {
  const { doc, set } = useEditing();
  const conditions = doc.conditions ?? [];
  const [asked, setLevels] = useState(false);
  const levels = asked || conditions.some((c) => c.value || c.unit || c.level_from);
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
        <p className="hint">
          {say(
            (doc.stages?.length ?? 0) > 1
              ? 'plan.the-stages-are-compared'
              : 'plan.nothing-is-compared-yet-add-at',
          )}
        </p>
      )}
      <LanesLine replace={replace} />
      {conditions.length > 0 && <ConditionTable levels={levels} />}
      {conditions.length > 0 && !levels && (
        <Button variant="plain" className="small" onClick={() => setLevels(true)}>
          {say('plan.what-is-changed-is-a-number')}
        </Button>
      )}
      <Said legend={say('plan.how-often')}>
        <span>
          <label className="named" htmlFor="f-trials">
            {say('plan.trials-of-each')}
          </label>
          <FormControl
            id="f-trials"
            type="number"
            min={1}
            max={20}
            value={doc.trials}
            onChange={(e) => set(['trials'], Number(e.target.value) || 1)}
          />
          {say('plan.times', { count: doc.trials })}
        </span>
      </Said>
    </Band>
  );
}

function ConditionTable({ levels }: { levels: boolean }) {
  const { doc, set, language } = useEditing();
  const conditions = doc.conditions ?? [];
  /** The lane at a place one place up or down, with the hand still in it. */
  const move = (i: number, by: number) => {
    const to = i + by;
    if (to < 0 || to >= conditions.length) return;
    const next = conditions.filter((_, k) => k !== i);
    next.splice(to, 0, conditions[i]);
    const field = document.activeElement?.id.replace(`-${i}-`, `-${to}-`);
    set(['conditions'], next, say('plan.moved-a-condition'));
    requestAnimationFrame(() => field && document.getElementById(field)?.focus());
  };
  const numbers = (doc.readings ?? []).filter(
    (r) => ['quantity', 'count'].includes(r.kind ?? 'quantity') && r.per?.includes('condition'),
  );
  return (
    <Grid>
      <thead>
        <tr>
          <th scope="col">{say('plan.name')}</th>
          <th scope="col">{say('plan.what-is-different')}</th>
          {levels && <th scope="col">{say('plan.how-much')}</th>}
          <th scope="col">{say('plan.comparison')}</th>
          <th scope="col">
            <span className="visually-hidden">{say('plan.take-out')}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {conditions.map((c, i) => (
          <tr
            key={c.id}
            onKeyDown={(e) => {
              const by = e.altKey && { ArrowUp: -1, ArrowDown: 1 }[e.key];
              if (by) {
                e.preventDefault();
                move(i, by);
              }
            }}
          >
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
            {levels && (
              <td>
                <div className="field-row m-0">
                  <PlainField
                    label={say('plan.how-much-of', { value: i + 1 })}
                    hideLabel
                    path={['conditions', i, 'value']}
                    value={c.value}
                  />
                  <PlainField
                    label={say('plan.unit-of', { value: i + 1 })}
                    hideLabel
                    path={['conditions', i, 'unit']}
                    value={c.unit}
                    hint="°C"
                  />
                  {numbers.length > 0 && (
                    <ChoiceField
                      label={say('plan.measured-by', { value: i + 1 })}
                      hideLabel
                      path={['conditions', i, 'level_from']}
                      value={c.level_from}
                      options={[
                        ['', say('plan.by-the-design')],
                        ...numbers.map((r): [string, string] => [r.id, r.name[language] || r.id]),
                      ]}
                    />
                  )}
                </div>
              </td>
            )}
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
