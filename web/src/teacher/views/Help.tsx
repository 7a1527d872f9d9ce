import { useState } from 'react';
import FormCheck from 'react-bootstrap/FormCheck';
import { singleKeysOn, switchSingleKeys } from '../frame/keys';
import { Grid } from '../parts/Grid';
import { Head } from '../frame/TeacherFrame';
import { say } from '../words';

const keys = [
  ['/', say('help.find-a-question-on-the-workbench')],
  ['j, k', say('help.the-next-finding-at-safety-the')],
  [say('help.range', { from: 1, to: 3 }), say('help.at-safety-take-one-of-the')],
  [say('help.range', { from: 1, to: 4 }), say('help.in-the-larder-things-jobs-swaps')],
  [say('help.g-then-t-e-w-l'), say('help.go-to-today-experiments-workbench-larder')],
  [say('help.g-then-1-to-8'), say('help.a-station-inside-an-experiment')],
  ['← →', say('help.arrows-does')],
  [say('help.enter-key'), say('help.strip-enter-does')],
  ['o, O', say('help.strip-o-does')],
  ['m', say('help.strip-m-does')],
  ['[ ]', say('help.strip-length-does')],
  [say('help.digits'), say('help.strip-digits-do')],
  ['x', say('help.strip-x-does')],
  ['h', say('help.strip-h-does')],
  ['i', say('help.strip-i-does')],
  ['u', say('help.strip-u-does')],
  ['s, j', say('help.strip-s-does')],
  ['b, c', say('help.strip-b-does')],
  [say('help.y-del'), say('help.strip-y-does')],
  ['f', say('help.margin-does')],
  ['Ctrl Z, Ctrl Y', say('help.undo-does')],
  [say('help.esc'), say('help.close-the-side-sheet')],
  ['?', say('help.this-page')],
] as const;

/** What the tool is for, in its order, and the keys. */
export function Help() {
  const [on, setOn] = useState(singleKeysOn);
  return (
    <>
      <Head title={say('teacherFrame.help')} />
      <main className="work prose">
        <p className="lead-sentence">{say('help.design-an-experiment-issue-it-to')}</p>
        <ol>
          <li>{say('help.classes-make-a-class-set-its')}</li>
          <li>{say('help.experiments-begin-from-an-example-or')}</li>
          <li>{say('help.materials-choose-each-thing-from-the')}</li>
          <li>{say('help.safety-settle-what-is-kept-from')}</li>
          <li>{say('help.issue-choose-the-class-and-the')}</li>
          <li>{say('help.run-collect-compare-entries-appear-by')}</li>
        </ol>
        <p>{say('help.sheets-name-the-usual-cautions-only')}</p>
        <h2>{say('help.keys')}</h2>
        <Grid className="column">
          <tbody>
            {keys.map(([k, words]) => (
              <tr key={k}>
                <th scope="row">{k}</th>
                <td>{words}</td>
              </tr>
            ))}
          </tbody>
        </Grid>
        <FormCheck
          id="single-keys"
          label={say('help.single-keys-act')}
          checked={on}
          onChange={(e) => {
            switchSingleKeys(e.target.checked);
            setOn(e.target.checked);
          }}
        />
        <p className="small mt-3">
          <a href="/notices.txt">{say('help.notices')}</a>
        </p>
      </main>
    </>
  );
}
