import { useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import { nameOf } from '../languages';
import { SideSheet } from '../parts/SideSheet';
import { say } from '../words';

/** The draft on a phone beside the work, as a usual home has it, at the step that is being written; what is entered there goes nowhere. */
export function AsFamily({
  id,
  step,
  languages,
  language,
  version,
  onClose,
}: {
  id: string;
  /** The number of the step, from 1; 0 for the beginning. */
  step: number;
  languages: string[];
  language: string;
  /** Of the saved draft: a newer one is shown at once. */
  version: number;
  onClose: () => void;
}) {
  const [reader, setReader] = useState(language);
  const place = step > 0 ? `step/${step}` : 'ready';
  return (
    <SideSheet title={say('asFamily.as-a-family')} onClose={onClose}>
      {languages.length > 1 && (
        <label className="small d-block mb-2">
          {say('asFamily.in')}{' '}
          <FormSelect
            size="sm"
            className="d-inline-block w-auto"
            value={reader}
            onChange={(e) => setReader(e.target.value)}
          >
            {languages.map((l) => (
              <option key={l} value={l}>
                {nameOf(l)}
              </option>
            ))}
          </FormSelect>
        </label>
      )}
      <iframe
        key={`${reader} ${version} ${place}`}
        className="as-family"
        title={say('asFamily.as-a-family')}
        src={`/practice/${id}?language=${reader}#/${id}/${place}`}
      />
    </SideSheet>
  );
}
