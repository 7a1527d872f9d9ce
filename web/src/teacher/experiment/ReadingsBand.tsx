import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { freshID, type Reading } from '../draft/document';
import { ConstantsBand } from './ConstantsBand';
import { DerivedRow } from './DerivedRow';
import { Band, PlainField, Remove, TickField, useEditing, WordsField } from './fields';
import type { Replace, Review } from '../draft/useDraft';

/** What is read, with which tool, how finely; and what is worked out of it. */
export function ReadingsBand({ review, replace }: { review: Review | undefined; replace: Replace }) {
  const { doc, set, language, findings } = useEditing();
  const readings = doc.readings ?? [];
  const offersOf = (i: number) => (readings[i].times ?? []).map((_, k) => findings.find((f) => f.offer && f.path === `/readings/${i}/times/${k}`)?.offer);
  /** A planned time that is written anew stays with the steps that take it. */
  const setTimes = (i: number, times: string[]) => {
    const { id, times: before = [] } = readings[i];
    const now = (t: string | undefined) => (t !== undefined && before.length === times.length && before.includes(t) ? times[before.indexOf(t)] : t);
    replace({ ...doc, readings: readings.map((x, k) => (k === i ? { ...x, times } : x)), steps: doc.steps?.map((s) => (s.takes ? { ...s, takes: s.takes.map((t) => (t.reading === id && t.time ? { ...t, time: now(t.time) } : t)) } : s)) });
  };
  const derived = doc.derived ?? [];
  const evidence = doc.evidence ?? [];
  const mistakes = doc.mistakes ?? [];
  const expectations = doc.expectations ?? [];
  const removeReading = (r: Reading) =>
    replace({ ...doc, readings: readings.filter((x) => x !== r), steps: doc.steps?.map((s) => ({ ...s, takes: s.takes?.filter((t) => t.reading !== r.id) })) }, 'Took out a reading');
  return (
    <>
      <Band title="Readings" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['readings'], [...readings, { id: freshID('reading', readings), symbol: `x${readings.length + 1}`, name: {}, unit: 'mm', per_condition: true, instruments: [] } satisfies Reading])}>Add a reading</button>}>
        {readings.length === 0 && <p className="hint">Nothing is measured yet, so nothing can be compared.</p>}
        {readings.map((r, i) => (
          <div key={r.id} className="card-paper">
            <div className="field-row">
              <div style={{ flex: '2 1 240px' }}>
                <WordsField label="What is read" path={['readings', i, 'name']} value={r.name} />
              </div>
              <PlainField label="Symbol in formulas" path={['readings', i, 'symbol']} value={r.symbol} />
              <PlainField label="Unit" path={['readings', i, 'unit']} value={r.unit} />
              <div>
                <label className="named" htmlFor={`times-${r.id}`}>At the times</label>
                <TimesInput id={`times-${r.id}`} value={r.times ?? []} offers={offersOf(i)} onChange={(times) => setTimes(i, times)} />
              </div>
              <div style={{ flex: '0 0 auto' }}>
                <TickField label="in each condition" path={['readings', i, 'per_condition']} value={r.per_condition} />
                {(doc.trials > 1 || r.trials === 1) && <TickField label="once, not in each trial" path={['readings', i, 'trials']} value={r.trials === 1} on={1} />}
              </div>
            </div>
            <div className="field-row">
              <PlainField label="Never below" path={['readings', i, 'low']} value={r.low} hint="0 mm" />
              <PlainField label="Never above" path={['readings', i, 'high']} value={r.high} />
              <PlainField label="Repeats fall apart by" path={['readings', i, 'repeatability']} value={r.repeatability} hint="0.8 mm" />
              <div style={{ flex: '2 1 240px' }}>
                <WordsField label="How to read it" path={['readings', i, 'guidance']} value={r.guidance} />
              </div>
            </div>
            {(r.instruments ?? []).map((tool, k) => (
              <div key={tool.id} className="field-row" style={{ marginBottom: 4 }}>
                <div style={{ flex: '2 1 200px' }}>
                  <WordsField label={`Tool ${k + 1}`} path={['readings', i, 'instruments', k, 'name']} value={tool.name} />
                </div>
                <PlainField label="Smallest step" path={['readings', i, 'instruments', k, 'resolution']} value={tool.resolution} hint="1 mm" />
                <TickField label="a scale read by eye" path={['readings', i, 'instruments', k, 'analogue']} value={tool.analogue} />
                <div style={{ flex: '0 0 auto' }}>
                  <Remove what="this tool" onRemove={() => set(['readings', i, 'instruments'], r.instruments!.filter((x) => x !== tool), 'Took out a tool')} />
                </div>
              </div>
            ))}
            <button type="button" className="btn btn-outline-primary" onClick={() => set(['readings', i, 'instruments'], [...(r.instruments ?? []), { id: freshID('tool', r.instruments), name: {}, resolution: '' }])}>
              Add a tool
            </button>{' '}
            <Remove what={r.name[language] || 'this reading'} onRemove={() => removeReading(r)} />
          </div>
        ))}
      </Band>
      <ConstantsBand />
      <Band title="Worked out" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['derived'], [...derived, { id: freshID('value', derived), name: {}, formula: '', unit: '' }])}>Add a value</button>}>
        {derived.map((x, i) => (
          <DerivedRow key={x.id} value={x} at={i} onRemove={() => set(['derived'], derived.filter((d) => d !== x), 'Took out a value')} />
        ))}
        <p className="hint small">Constants take their unit, such as 9.81 m/s^2. Functions: + − × / ^, sqrt, abs, ln, log10, exp, sin, cos, tan, atan, if(a &gt; b, a, b), rank, mean, median, sd, min, max, sum, count, first, last, slope, intercept, at(reading, minutes). The planned times are called time, the times at which values were really written down elapsed.</p>
      </Band>
      <Band title="Expected">
        {expectations.length === 0 && (
          <p className="hint">
            Nothing is expected yet. Ask the <Link to="/workbench">Workbench</Link> and put its answer into this design; it is worked out anew each time.
          </p>
        )}
        {expectations.map((x) => {
          const out = review?.expected?.find((e) => e.id === x.id);
          const of = [...derived, ...readings].find((r) => r.id === x.for);
          const where = doc.conditions?.find((c) => c.id === x.condition);
          return (
            <div key={x.id} className="row-line">
              <span style={{ flex: 1 }}>
                <strong>{of?.name[language] ?? x.for}</strong>
                {where && <>, {where.name[language] ?? where.id}</>}: {out?.problem ? <span className="w-mend">{out.problem}</span> : out?.text}{' '}
                <Link className="small" to={`/workbench?${new URLSearchParams({ ask: x.model, ...x.typed }).toString()}`}>
                  {out?.title || 'Open at the Workbench'}
                </Link>
              </span>
              <Remove what="what is expected" onRemove={() => set(['expectations'], expectations.filter((e) => e !== x), 'Took out what was expected')} />
            </div>
          );
        })}
      </Band>
      <Band title="Evidence" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['evidence'], [...evidence, { id: freshID('evidence', evidence), kind: 'photo', name: {} }])}>Add evidence</button>}>
        {evidence.map((e, i) => (
          <div key={e.id} className="field-row">
            <div style={{ flex: '0 0 120px' }}>
              <label className="named" htmlFor={`kind-${e.id}`}>Kind</label>
              <select id={`kind-${e.id}`} className="form-select" value={e.kind} onChange={(event) => set(['evidence', i, 'kind'], event.target.value)}>
                <option value="photo">photo</option>
                <option value="text">own words</option>
              </select>
            </div>
            <WordsField label="What" path={['evidence', i, 'name']} value={e.name} />
            <WordsField label="Must show" path={['evidence', i, 'must_show']} value={e.must_show} />
            <div style={{ flex: '0 0 auto' }}>
              <Remove what={e.name[language] || 'this evidence'} onRemove={() => replace({ ...doc, evidence: evidence.filter((x) => x !== e), steps: doc.steps?.map((s) => ({ ...s, evidence: s.evidence?.filter((id) => id !== e.id) })) }, 'Took out evidence')} />
            </div>
          </div>
        ))}
      </Band>
      <Band title="What goes wrong" aside={<button type="button" className="btn btn-outline-primary" onClick={() => set(['mistakes'], [...mistakes, { see: {}, mend: {} }])}>Add a mistake</button>}>
        {mistakes.map((m, i) => (
          <div key={i} className="field-row">
            <WordsField label="One sees" path={['mistakes', i, 'see']} value={m.see} />
            <WordsField label="Mend it so" path={['mistakes', i, 'mend']} value={m.mend} />
            <div style={{ flex: '0 0 auto' }}>
              <Remove what="this mistake" onRemove={() => set(['mistakes'], mistakes.filter((x) => x !== m), 'Took out a mistake')} />
            </div>
          </div>
        ))}
      </Band>
    </>
  );
}

/** Times with commas between; what is typed stays as typed until the field is left. */
function TimesInput({ id, value, offers, onChange }: { id: string; value: string[]; offers: (string | undefined)[]; onChange: (v: string[]) => void }) {
  const [text, setText] = useState(value.join(', '));
  useEffect(() => setText(value.join(', ')), [value.join()]); // eslint-disable-line react-hooks/exhaustive-deps
  const meant = value.map((t, k) => offers[k] ?? t);
  return (
    <>
      <input id={id} className="form-control" placeholder="1 min, 2 min" value={text} onChange={(e) => setText(e.target.value)} onBlur={() => onChange(text.split(',').map((t) => t.trim()).filter(Boolean))} />
      {offers.some(Boolean) && (
        <p className="small w-mend" role="status" style={{ margin: 0 }}>
          A time without a unit.{' '}
          <button type="button" className="btn-plain" onClick={() => onChange(meant)}>
            Take {meant.join(', ')}
          </button>
        </p>
      )}
    </>
  );
}
