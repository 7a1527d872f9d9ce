import FormSelect from 'react-bootstrap/FormSelect';
import { slotKey } from '../phone/book';
import type { Typing } from '../phone/typing';
import { useInstruments } from '../phone/useInstruments';
import type { WorkProps } from '../phone/work';
import { useWords } from '../words';
import { GivenField } from './GivenField';
import { ObjectNames } from './ObjectNames';
import { ReadingField } from './ReadingField';
import { calledHere, type SlotProps } from './SlotFrame';

type Props = WorkProps & { step: SlotProps['step']; typing: Typing };
type Reading = SlotProps['reading'];

/** What is read in a step: how, with which tool, and a field a slot; the readings of one object together. */
export function StepReadings(props: Props) {
  const { state, sheet, book, step } = props;
  const readings = sheet.readings.filter((r) => step.takes.some((s) => s.reading === r.id));
  const [tools, chooseTool] = useInstruments(
    state,
    readings.map((r) => r.id),
  );
  const objects = [...new Set(step.takes.map((s) => s.object ?? ''))];
  const unnamed = (sheet.objects ?? []).filter((o) => objects.includes(o.id) && !book.called(o.id));
  return (
    <>
      {unnamed.length > 0 && <ObjectNames {...props} objects={unnamed} />}
      <div className="card-paper">
        {readings.map((r) => (
          <Tool
            key={r.id}
            reading={r}
            named={readings.length > 1}
            chosen={tools[r.id]}
            onChoose={(tool) => chooseTool(r.id, tool)}
          />
        ))}
        {objects.map((object) => {
          const slots = step.takes.filter((s) => (s.object ?? '') === object);
          const fields = slots.map((slot) => {
            const reading = readings.find((r) => r.id === slot.reading)!;
            const Field = reading.kind && reading.kind !== 'quantity' ? GivenField : ReadingField; // a page kept from before says no kind
            return (
              <Field
                key={slotKey(slot)}
                {...props}
                slot={slot}
                reading={reading}
                instrument={tools[reading.id] || reading.instruments[0]?.id || ''}
              />
            );
          });
          return object ? (
            <fieldset key={object} className="object">
              <legend>{calledHere(sheet, book, object)}</legend>
              {fields}
            </fieldset>
          ) : (
            fields
          );
        })}
      </div>
    </>
  );
}

/** How a reading is taken, and with which of its tools. */
function Tool({
  reading,
  named,
  chosen,
  onChoose,
}: {
  reading: Reading;
  named: boolean;
  chosen: string | undefined;
  onChoose: (tool: string) => void;
}) {
  const t = useWords();
  const id = `instrument-${reading.id}`;
  return (
    <>
      {reading.guidance && (
        <p className="second">
          {named && <strong>{reading.name}: </strong>}
          {reading.guidance}
        </p>
      )}
      {reading.instruments.length > 1 && (
        <div className="field">
          <label htmlFor={id}>{named ? `${t('tool')} · ${reading.name}` : t('tool')}</label>
          <FormSelect
            id={id}
            value={chosen || reading.instruments[0].id}
            onChange={(e) => onChoose(e.target.value)}
          >
            {reading.instruments.map((i) => (
              <option key={i.id} value={i.id}>
                {i.name}
              </option>
            ))}
          </FormSelect>
        </div>
      )}
    </>
  );
}
