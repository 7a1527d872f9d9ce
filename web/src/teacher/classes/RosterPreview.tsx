import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { Grid } from '../parts/Grid';
import { Notice } from '../parts/Notice';
import type { Schemas } from '../../api/client';
import { nameOf } from '../languages';
import { NameLabel } from '../../ui/NameLabel';
import { say } from '../words';

const fields = (): [string, string][] => [
  ['nickname', say('homeSheet.nickname')],
  ['students', say('rosterPreview.students')],
  ['language', say('homeSheet.language')],
  ['contact', say('rosterPreview.contact')],
  ['phone', say('rosterPreview.phone')],
  ['letters', say('homeSheet.two-letters')],
  ['note', say('rosterPreview.note')],
  ['', say('rosterPreview.leave-out')],
];

/** A list as it was read: what each column is taken for, every home, and what is in the way. */
export function RosterPreview({
  list,
  onMapping,
  onAdd,
}: {
  list: Schemas['RosterView'];
  onMapping: (mapping: string[]) => void;
  onAdd: () => void;
}) {
  const bad = list.items.filter((l) => l.problem);
  const good = list.items.filter((l) => !l.problem);
  const ready = bad.length === 0 && list.items.length > 0;
  const change = (at: number, field: string) =>
    onMapping(list.columns.map((c, i) => (i === at ? field : c.field)));
  return (
    <>
      {list.columns.length > 1 && (
        <div className="scroll">
          <Grid>
            <caption>{say('rosterPreview.what-the-columns-are')}</caption>
            <thead>
              <tr>
                {list.columns.map((c, i) => (
                  // eslint-disable-next-line react/no-array-index-key -- a column is its place in the list
                  <th key={i} scope="col">
                    <label className="named" htmlFor={`column-${i}`}>
                      {c.head || say('rosterPreview.column', { n: i + 1 })}
                    </label>
                    <FormSelect
                      id={`column-${i}`}
                      value={c.field}
                      onChange={(e) => change(i, e.target.value)}
                    >
                      {fields().map(([value, words]) => (
                        <option key={value} value={value}>
                          {words}
                        </option>
                      ))}
                    </FormSelect>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              <tr>
                {list.columns.map((c, i) => (
                  // eslint-disable-next-line react/no-array-index-key -- a column is its place in the list
                  <td key={i} className="second small">
                    {c.samples.join(' · ')}
                  </td>
                ))}
              </tr>
            </tbody>
          </Grid>
        </div>
      )}
      <p role="status">
        {say('rosterPaste.of-lines-can-be-taken', { value: good.length, n: list.items.length })}
      </p>
      <ul className="plain-list">
        {bad.map((l) => (
          <li key={l.line}>
            <Notice>
              {say('rosterPaste.line', { line: l.line, text: l.text, problem: l.problem })}
            </Notice>
          </li>
        ))}
      </ul>
      {good.length > 0 && (
        <details open={list.columns.length > 1}>
          <summary>{say('rosterPreview.homes', { count: good.length })}</summary>
          <div className="scroll">
            <Grid>
              <thead>
                <tr>
                  <th scope="col">{say('classPage.letters')}</th>
                  <th scope="col">{say('classPage.home')}</th>
                  <th scope="col">{say('classPage.students')}</th>
                  <th scope="col">{say('classPage.language')}</th>
                  <th scope="col">{say('rosterPreview.reach')}</th>
                  <th scope="col">{say('rosterPreview.note')}</th>
                </tr>
              </thead>
              <tbody>
                {good.map(({ line, home }) => (
                  <tr key={line}>
                    <td>{home.letters}</td>
                    <th scope="row">
                      <NameLabel name={home.nickname} />
                    </th>
                    <td>{home.students?.join(', ')}</td>
                    <td>{nameOf(home.language ?? '')}</td>
                    <td>{[home.phone, home.contact].filter(Boolean).join(' · ')}</td>
                    <td>{home.note}</td>
                  </tr>
                ))}
              </tbody>
            </Grid>
          </div>
        </details>
      )}
      <Button aria-disabled={!ready} onClick={() => ready && onAdd()}>
        {say('rosterPaste.add', { value: say('count.homes', { count: list.items.length }) })}
      </Button>
      {bad.length > 0 && (
        <span className="second"> {say('rosterPaste.mend-the-lines-above-first-nothing')}</span>
      )}
    </>
  );
}
