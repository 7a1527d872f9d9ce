import Button from 'react-bootstrap/Button';
import { useRowKeys } from '../../ui/useRowKeys';
import { isNumber } from '../draft/document';
import type { Review } from '../draft/useDraft';
import { say } from '../words';
import { Band, ChoiceField, PlainField, Remove, useEditing, WordsField } from '../draft/fields';

/** One thing changes: what, what is measured of it, and what is kept the same. */
export function PlanChange({ review }: { review: Review | undefined }) {
  const { doc, language } = useEditing();
  const measured = doc.measured?.[0];
  return (
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
                r.name[language] || r.symbol || r.id,
              ]),
              ...(doc.derived ?? []).map((r): [string, string] => [r.id, r.name[language] || r.id]),
            ]}
          />
        </div>
      </div>
      <Measured review={review} />
      <Kept />
    </Band>
  );
}

/** What the measured thing is as a result, and how much of a difference matters. */
function Measured({ review }: { review: Review | undefined }) {
  const { doc } = useEditing();
  const measured = doc.measured?.[0];
  const kind = doc.readings?.find((r) => r.id === measured?.reading)?.kind ?? 'quantity';
  const number = isNumber(kind); // only these have a size
  const offered = review?.results[0] ?? [];
  if (!measured) return null;
  return (
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
      {number && (
        <>
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
        </>
      )}
    </div>
  );
}

function Kept() {
  const { doc, set } = useEditing();
  const kept = doc.kept ?? [];
  const { keys, takeOut } = useRowKeys(kept.length);
  return (
    <>
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
    </>
  );
}
