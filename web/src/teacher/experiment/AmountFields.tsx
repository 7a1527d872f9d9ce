import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { freshID } from '../draft/document';
import {
  ChoiceField,
  PlainField,
  Remove,
  TickField,
  useEditing,
  WordsField,
} from '../draft/fields';
import { say } from '../words';
import { pictures } from '../draft/ChoicesField';

/** How much of a thing, how it is found, how exactly, and for what. */
export function AmountFields({ at, thing }: { at: number; thing?: Schemas['ThingRow'] }) {
  const n = useEditing().doc.needs![at];
  const path = (...rest: (string | number)[]) => ['needs', at, ...rest];
  const eye = n.amount_by === 'eye';
  return (
    <>
      <div className="field-row">
        <ChoiceField
          label={say('needSheet.amount-by')}
          path={path('amount_by')}
          value={n.amount_by}
          options={[
            ['', say('needSheet.by-measure')],
            ['range', say('needSheet.by-range')],
            ['count', say('needSheet.by-count')],
            ['eye', say('needSheet.by-eye')],
          ]}
        />
        {eye ? (
          <ChoiceField
            label={say('needSheet.about-so-full')}
            path={path('look')}
            value={n.look}
            options={pictures}
          />
        ) : (
          <Amount at={at} thing={thing} />
        )}
      </div>
      {n.amount && !eye && (
        <PlainField
          label={say('needSheet.symbol')}
          path={path('symbol')}
          value={n.symbol}
          hint="m0"
        />
      )}
      <p className="small d-flex gap-4 flex-wrap">
        <TickField
          label={say('needSheet.for-each-condition')}
          path={path('per_condition')}
          value={n.per_condition}
        />
        {!eye && (
          <TickField
            label={say('needSheet.weighed-not-spooned')}
            path={path('weighed')}
            value={n.weighed}
          />
        )}
        <TickField label={say('needSheet.if-at-hand')} path={path('optional')} value={n.optional} />
      </p>
      <Copies at={at} />
    </>
  );
}

const hints = { range: '150 to 200 mL', count: '3' } as const;

function Amount({ at, thing }: { at: number; thing?: Schemas['ThingRow'] }) {
  const n = useEditing().doc.needs![at];
  const by = n.amount_by === 'range' || n.amount_by === 'count' ? n.amount_by : undefined;
  const unit = by !== 'count' && thing?.unit ? say('needSheet.in', { unit: thing.unit }) : '';
  return (
    <>
      <PlainField
        label={
          thing?.jobs.includes('flexible-gas-bag')
            ? say('needSheet.what-it-holds-measured')
            : say('needSheet.amount', { value: unit })
        }
        path={['needs', at, 'amount']}
        value={n.amount}
        hint={by ? hints[by] : thing?.unit === 'g' ? '5 g' : '200 mL'}
      />
      <ChoiceField
        label={say('needSheet.it-matters')}
        path={['needs', at, 'tolerance']}
        value={n.tolerance}
        options={[
          ['', say('needSheet.exactly')],
          ['about', say('needSheet.about')],
          ['free', say('needSheet.as-you-like')],
        ]}
      />
    </>
  );
}

/** Several of a thing, each prepared in its own way. */
function Copies({ at }: { at: number }) {
  const { doc, set } = useEditing();
  const path = ['needs', at, 'copies'];
  const copies = doc.needs![at].copies ?? [];
  return (
    <section aria-label={say('needSheet.copies')}>
      {copies.map((c, k) => (
        <div key={c.id} className="field-row">
          <div className="grows">
            <WordsField
              label={say('needSheet.copy', { n: k + 1 })}
              path={[...path, k, 'prepared']}
              value={c.prepared}
            />
          </div>
          <div className="flex-none">
            <Remove
              what={say('needSheet.copy', { n: k + 1 })}
              onRemove={() =>
                set(
                  path,
                  copies.filter((x) => x !== c),
                  say('needSheet.took-out-a-way'),
                )
              }
            />
          </div>
        </div>
      ))}
      <Button
        variant="plain"
        onClick={() => {
          const next = [...copies, { id: freshID('copy', copies), prepared: {} }];
          // One alone is no way of preparing several.
          set(
            path,
            next.length > 1 ? next : [...next, { id: freshID('copy', next), prepared: {} }],
          );
        }}
      >
        {copies.length > 0 ? say('needSheet.add-a-way') : say('needSheet.copies')}
      </Button>
    </section>
  );
}
