import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { useRowKeys } from '../../ui/useRowKeys';
import { freshID, type Doc } from '../draft/document';
import { say } from '../words';
import { ChoiceField, PlainField, Remove, useEditing, WordsField } from '../draft/fields';

type Sort = NonNullable<Doc['objects']>[number];

/** Things that each home chooses itself: what to look for, how many, within what limits. */
export function ObjectsField() {
  const { doc, set } = useEditing();
  const objects = doc.objects ?? [];
  return (
    <>
      <p className="hint mb-1">{say('parts.objects-hint')}</p>
      {objects.map((o, i) => (
        <div key={o.id} className="card-paper">
          <div className="field-row">
            <WordsField
              label={say('parts.what-to-look-for')}
              path={['objects', i, 'what']}
              value={o.what}
            />
            <div className="field-110">
              <label className="named" htmlFor={`count-${o.id}`}>
                {say('parts.how-many')}
              </label>
              <FormControl
                id={`count-${o.id}`}
                type="number"
                min={1}
                max={6}
                value={o.count}
                onChange={(e) => set(['objects', i, 'count'], Number(e.target.value) || 1)}
              />
            </div>
            <WordsField label={say('parts.never')} path={['objects', i, 'never']} value={o.never} />
            <div className="flex-none">
              <Remove
                what={say('parts.this-sort')}
                onRemove={() =>
                  set(
                    ['objects'],
                    objects.filter((x) => x !== o),
                    say('parts.took-out-objects'),
                  )
                }
              />
            </div>
          </div>
          <Limits sort={o} at={i} />
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() =>
          set(['objects'], [...objects, { id: freshID('object', objects), what: {}, count: 3 }])
        }
      >
        {say('parts.add-objects')}
      </Button>
    </>
  );
}

/** What the things have to be like, by a quantity that is read of each. */
function Limits({ sort, at }: { sort: Sort; at: number }) {
  const { doc, set, language } = useEditing();
  const limits = sort.limits ?? [];
  const { keys, takeOut } = useRowKeys(limits.length);
  const measured = (doc.readings ?? []).filter(
    (r) => (r.kind ?? 'quantity') === 'quantity' && r.per?.includes('object'),
  );
  const path = ['objects', at, 'limits'];
  return (
    <>
      {limits.map((l, k) => (
        <div key={keys[k]} className="field-row">
          <ChoiceField
            label={say('parts.limit-of')}
            path={[...path, k, 'reading']}
            value={l.reading}
            options={[
              ['', '–'],
              ...measured.map((r): [string, string] => [r.id, r.name[language] || r.id]),
            ]}
          />
          <PlainField
            label={say('parts.apart')}
            path={[...path, k, 'apart']}
            value={l.apart}
            hint="50 mm"
          />
          <PlainField label={say('parts.at-least')} path={[...path, k, 'low']} value={l.low} />
          <PlainField label={say('parts.at-most')} path={[...path, k, 'high']} value={l.high} />
          <div className="flex-none">
            <Remove
              what={say('parts.this-limit')}
              onRemove={() => (
                takeOut(k),
                set(
                  path,
                  limits.filter((x) => x !== l),
                  say('parts.took-out-a-limit'),
                )
              )}
            />
          </div>
        </div>
      ))}
      {measured.length > 0 ? (
        <Button variant="plain" onClick={() => set(path, [...limits, { reading: measured[0].id }])}>
          {say('parts.add-a-limit')}
        </Button>
      ) : (
        <p className="hint small m-0">{say('parts.no-limit-yet')}</p>
      )}
    </>
  );
}
