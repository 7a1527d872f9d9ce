import { useId, useState } from 'react';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { ownLanguage } from '../languages';
import { say } from '../words';

const dialects: [string, string][] = [
  ['', say('takeOut.comma-point')],
  ['separator=semicolon&decimal=comma&', say('takeOut.semicolon-comma')],
  ['separator=semicolon&', say('takeOut.semicolon-point')],
  ['separator=tab&', say('takeOut.tab-point')],
];

/** All that came in, as files that other programs read. */
export function TakeOut({ assignment }: { assignment: Schemas['AssignmentView'] }) {
  const [dialect, setDialect] = useState(() =>
    (0.5).toLocaleString(ownLanguage()).includes(',') ? dialects[1][0] : '',
  );
  const id = useId();
  const file = (name: string, options = '') =>
    `/api/v1/classes/${assignment.class}/assignments/${assignment.id}/${name}?${options}language=${ownLanguage()}`;
  return (
    <section className="band" aria-label={say('takeOut.take-out')}>
      <h2>{say('takeOut.take-out')}</h2>
      <p className="ways">
        <a href={file('export.xlsx')} download>
          {say('takeOut.workbook')}
        </a>
        <a href={file('export.json')} download>
          {say('takeOut.json')}
        </a>
      </p>
      <p className="ways">
        <label htmlFor={id}>{say('takeOut.tables')}</label>
        <FormSelect
          id={id}
          className="w-auto"
          value={dialect}
          onChange={(e) => setDialect(e.target.value)}
        >
          {dialects.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </FormSelect>
        <a href={file('export.csv', dialect)} download>
          {say('takeOut.readings')}
        </a>
        <a href={file('answers.csv', dialect)} download>
          {say('takeOut.answers')}
        </a>
        <a href={file('observations.csv', dialect)} download>
          {say('takeOut.observations')}
        </a>
        <a href={file('results.csv', dialect)} download>
          {say('takeOut.results')}
        </a>
      </p>
      <p className="hint small">{say('takeOut.photos')}</p>
    </section>
  );
}
