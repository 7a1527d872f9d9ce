import Button from 'react-bootstrap/Button';
import { useRowKeys } from '../../ui/useRowKeys';
import { freshID } from '../draft/document';
import { say } from '../words';
import { Remove, useEditing, WordsField } from '../draft/fields';

/** Where the set-up is a model of something: what its things stand for, and what it gets wrong. */
export function ModelFields() {
  const { doc, set } = useEditing();
  const pairs = doc.stands_for ?? [];
  const limits = doc.limits ?? [];
  const pairRows = useRowKeys(pairs.length);
  const limitRows = useRowKeys(limits.length);
  return (
    <>
      {pairs.map((p, i) => (
        <div key={pairRows.keys[i]} className="field-row">
          <WordsField
            label={say('model.this-thing')}
            path={['stands_for', i, 'thing']}
            value={p.thing}
          />
          <WordsField
            label={say('model.stands-for')}
            path={['stands_for', i, 'means']}
            value={p.means}
          />
          <div className="flex-none">
            <Remove
              what={say('model.this-pair')}
              onRemove={() => (
                pairRows.takeOut(i),
                set(
                  ['stands_for'],
                  pairs.filter((x) => x !== p),
                  say('model.took-out-a-pair'),
                )
              )}
            />
          </div>
        </div>
      ))}
      {limits.map((l, i) => (
        <div key={limitRows.keys[i]} className="field-row">
          <WordsField label={say('model.gets-wrong')} path={['limits', i]} value={l} />
          <div className="flex-none">
            <Remove
              what={say('model.this-limit')}
              onRemove={() => (
                limitRows.takeOut(i),
                set(
                  ['limits'],
                  limits.filter((x) => x !== l),
                  say('model.took-out-a-limit'),
                )
              )}
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() => set(['stands_for'], [...pairs, { thing: {}, means: {} }])}
      >
        {say('model.add-what-stands-for-what')}
      </Button>{' '}
      <Button variant="plain" onClick={() => set(['limits'], [...limits, {}])}>
        {say('model.add-what-it-gets-wrong')}
      </Button>
    </>
  );
}

/** Shorter versions, each with what can then no longer be said. */
export function ReducedFields() {
  const { doc, set } = useEditing();
  const reduced = doc.reduced ?? [];
  return (
    <>
      {reduced.map((r, i) => (
        <div key={r.id} className="field-row">
          <WordsField
            label={say('reduced.leaves-out')}
            path={['reduced', i, 'leaves_out']}
            value={r.leaves_out}
          />
          <WordsField label={say('reduced.costs')} path={['reduced', i, 'costs']} value={r.costs} />
          <div className="flex-none">
            <Remove
              what={say('reduced.this-version')}
              onRemove={() =>
                set(
                  ['reduced'],
                  reduced.filter((x) => x !== r),
                  say('reduced.took-out-a-version'),
                )
              }
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() =>
          set(
            ['reduced'],
            [...reduced, { id: freshID('shorter', reduced), leaves_out: {}, costs: {} }],
          )
        }
      >
        {say('reduced.add-a-shorter-version')}
      </Button>
    </>
  );
}
