import Button from 'react-bootstrap/Button';
import type { Doc } from '../draft/document';
import { useRowKeys } from '../../ui/useRowKeys';
import { say } from '../words';
import { ChoiceField, Remove, useEditing, WordsField } from '../draft/fields';

type Help = NonNullable<NonNullable<Doc['steps']>[number]['helps']>[number];

const kinds: [Help['help'], string][] = [
  ['keep', say('helps.keep')],
  ['put-aside', say('helps.put-aside')],
  ['look-again', say('helps.look-again')],
  ['same-for-all', say('helps.same-for-all')],
  ['hold-before-cutting', say('helps.hold-before-cutting')],
  ['empty-inside', say('helps.empty-inside')],
  ['cover', say('helps.cover')],
  ['test-first', say('helps.test-first')],
  ['stop-when', say('helps.stop-when')],
  ['say-aloud', say('helps.say-aloud')],
  ['hands-first', say('helps.hands-first')],
  ['two-people', say('helps.two-people')],
];
const without = ['stop-when', 'hands-first', 'two-people']; // these are about no thing

/** Small things that make a step go well, said at their moment in the family's language. */
export function HelpsField({ at }: { at: number }) {
  const { doc, set } = useEditing();
  const helps = doc.steps![at].helps ?? [];
  const path = ['steps', at, 'helps'];
  const { keys, takeOut } = useRowKeys(helps.length);
  return (
    <fieldset className="mt-2">
      <legend className="named small m-0">{say('helps.helps-of-this-step')}</legend>
      {helps.map((h, i) => (
        <div key={keys[i]} className="card-paper">
          <div className="field-row">
            <ChoiceField
              label={say('helps.help', { n: i + 1 })}
              hideLabel
              path={[...path, i, 'help']}
              value={h.help}
              options={kinds}
            />
            <div className="flex-none">
              <Remove
                what={say('helps.help', { n: i + 1 })}
                onRemove={() => (
                  takeOut(i),
                  set(
                    path,
                    helps.filter((_, k) => k !== i),
                    say('helps.took-out-a-help'),
                  )
                )}
              />
            </div>
          </div>
          {!without.includes(h.help) && (
            <WordsField
              label={say(h.help === 'say-aloud' ? 'helps.what-is-said' : 'helps.the-thing')}
              path={[...path, i, 'thing']}
              value={h.thing}
            />
          )}
          {h.help === 'put-aside' && (
            <WordsField label={say('helps.where')} path={[...path, i, 'place']} value={h.place} />
          )}
          <WordsField
            label={say(
              h.help === 'stop-when'
                ? 'helps.seen-then'
                : h.help === 'two-people'
                  ? 'helps.alone'
                  : 'helps.well-when',
            )}
            path={[...path, i, 'pass']}
            value={h.pass}
          />
        </div>
      ))}
      <Button variant="plain" onClick={() => set(path, [...helps, { help: 'keep' }])}>
        {say('helps.add-a-help')}
      </Button>
    </fieldset>
  );
}
