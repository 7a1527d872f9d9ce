import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { Link } from 'react-router';
import { useRowKeys } from '../../ui/useRowKeys';
import { FormulaEcho } from '../draft/FormulaEcho';
import { freshID, isNumber, type Reading } from '../draft/document';
import { placeOf } from '../draft/places';
import { freshReading, ofKind, readingKinds } from '../draft/readingKinds';
import type { Replace, Review } from '../draft/useDraft';
import { say } from '../words';
import { Labelled } from '../parts/Labelled';
import { Said } from './Said';
import { Band, ChoiceField, PlainField, Remove, useEditing, WordsField } from '../draft/fields';

type Kind = NonNullable<Reading['kind']>;

const newValue = '+';

/** One thing changes: what, what is measured of it, and what is kept the same. */
export function PlanChange({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc } = useEditing();
  return (
    <Band title={say('plan.one-thing-changes')}>
      <Said legend={say('plan.what-is-changed')}>
        <WordsField
          label={say('plan.we-change')}
          path={['changed', 'name']}
          value={doc.changed?.name}
        />
      </Said>
      <Measured replace={replace} />
      <AsAResult review={review} />
      <Kept />
    </Band>
  );
}

/** What is measured, by which reading, or worked out of readings by which formula. */
function Measured({ replace }: { replace: Replace }) {
  const { doc, set, language } = useEditing();
  const measured = doc.measured?.[0];
  const readings = doc.readings ?? [];
  const derived = doc.derived ?? [];
  const at = derived.findIndex((d) => d.id === measured?.reading);
  const value = derived[at];
  const read = readings.findIndex((r) => r.id === measured?.reading);
  const reading = readings[read];
  /** What is measured, by another reading or value. */
  const by = (id: string) => [{ ...measured, reading: id }, ...(doc.measured ?? []).slice(1)];
  /** What is done is the kind of the reading; where there is none it makes one. */
  const doIt = (kind: Kind) => {
    if (reading) {
      set(['readings', read], ofKind(reading, kind));
      return;
    }
    const fresh = freshReading(doc, kind, measured?.name ?? {});
    const next = { ...doc, readings: [...readings, fresh], measured: by(fresh.id) };
    replace(next, say('plan.began-a-reading'), doc);
  };
  /** A value of its own that is worked out, begun with its name. */
  const workOut = () => {
    const id = freshID('value', [...derived, ...readings]);
    const begun = {
      id,
      name: measured?.name ?? {},
      formula: readings[0]?.symbol ?? '',
      unit: '',
    };
    const next = { ...doc, derived: [...derived, begun], measured: by(id) };
    replace(next, say('plan.began-a-value'), doc);
  };
  return (
    <Said legend={say('plan.what-is-measured')}>
      {value ? (
        <span>{say('plan.we-measure')}</span>
      ) : (
        <Labelled id="f-measured-verb" words={say('plan.we')}>
          <FormSelect
            id="f-measured-verb"
            value={reading?.kind ?? (reading ? 'quantity' : '')}
            onChange={(e) => doIt(e.target.value as Kind)}
          >
            {!reading && <option value="">{say('plan.measure-count-judge')}</option>}
            {readingKinds.map(([kind, verb]) => (
              <option key={kind} value={kind}>
                {verb}
              </option>
            ))}
          </FormSelect>
        </Labelled>
      )}
      <WordsField
        hideLabel
        label={say('plan.what-is-measured')}
        path={['measured', 0, 'name']}
        value={measured?.name}
      />
      <ChoiceField
        label={say('plan.by-the-reading')}
        path={['measured', 0, 'reading']}
        value={measured?.reading}
        onPick={(id) => (id === newValue ? workOut() : set(['measured', 0, 'reading'], id))}
        options={[
          ['', say('plan.none-yet')],
          ...readings.map((r): [string, string] => [r.id, r.name[language] || r.symbol || r.id]),
          ...derived.map((r): [string, string] => [r.id, r.name[language] || r.id]),
          ...(readings.length > 0 ? [[newValue, say('plan.work-it-out')] as [string, string]] : []),
        ]}
      />
      {reading && <ItsEnd reading={reading} at={read} />}
      {value && !value.model && (
        <>
          <PlainField
            label={say('plan.worked-out-as')}
            path={['derived', at, 'formula']}
            value={value.formula}
            hint={readings.map((r) => r.symbol).join(', ')}
          />
          <PlainField
            label={say('plan.in-unit')}
            path={['derived', at, 'unit']}
            value={value.unit}
          />
          <FormulaEcho formula={value.formula ?? ''} unit={value.unit} />
        </>
      )}
    </Said>
  );
}

/** How the sentence ends depends on what is done: in a unit, out of how many, or with words of its own. */
function ItsEnd({ reading, at }: { reading: Reading; at: number }) {
  const { experiment } = useEditing();
  const path = (part: string) => ['readings', at, part];
  switch (reading.kind ?? 'quantity') {
    case 'quantity':
      return <PlainField label={say('plan.in-unit')} path={path('unit')} value={reading.unit} />;
    case 'count':
      return (
        <PlainField
          label={say('plan.out-of')}
          path={path('of')}
          value={reading.of}
          hint={say('readingKind.open')}
        />
      );
    case 'event':
      return (
        <PlainField
          label={say('plan.at-the-latest-by')}
          path={path('not_by')}
          value={reading.not_by}
          hint="30 min"
        />
      );
    default:
      return <Link to={placeOf(experiment, `/readings/${at}`)}>{say('plan.how-it-is-asked')}</Link>;
  }
}

/** What the measured thing is as a result, and how much of a difference matters. */
function AsAResult({ review }: { review: Review | undefined }) {
  const { doc } = useEditing();
  const measured = doc.measured?.[0];
  const kind = doc.readings?.find((r) => r.id === measured?.reading)?.kind ?? 'quantity';
  const number = isNumber(kind); // only these have a size
  const offered = review?.results[0] ?? [];
  if (!measured?.reading) return null;
  return (
    <Said legend={say('plan.what-it-is-as-a-result')}>
      <ChoiceField
        label={say('plan.as-a-result-it-is')}
        path={['measured', 0, 'result']}
        value={measured.result}
        options={[
          ['', say('plan.none-of-these-every-swap-is')],
          ...offered.map((r): [string, string] => [r.id, r.text]),
        ]}
      />
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
    </Said>
  );
}

/** What is kept the same, one after the other in the line. */
function Kept() {
  const { doc, set } = useEditing();
  const kept = doc.kept ?? [];
  const { keys, takeOut } = useRowKeys(kept.length);
  const add = () => {
    set(['kept'], [...kept, { name: {} }]);
    requestAnimationFrame(() => document.getElementById(`f-kept-${kept.length}-name`)?.focus());
  };
  return (
    <Said legend={say('plan.we-keep-the-same')}>
      <span aria-hidden="true">{say('plan.we-keep-the-same')}</span>
      {kept.map((k, i) => (
        <span key={keys[i]} className="kept-same">
          <WordsField
            label={say('plan.kept-the-same', { value: i + 1 })}
            hideLabel
            path={['kept', i, 'name']}
            value={k.name}
          />
          <Remove
            sign
            what={say('conflict.what-is-kept')}
            onRemove={() => {
              takeOut(i);
              set(
                ['kept'],
                kept.filter((x) => x !== k),
                say('plan.took-out-what-is-kept'),
              );
            }}
          />
        </span>
      ))}
      <Button id="f-kept-add" variant="outline-primary" onClick={add}>
        {say('plan.add-what-is-kept')}
      </Button>
    </Said>
  );
}
