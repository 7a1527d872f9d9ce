import { Head } from '../frame/TeacherFrame';

const keys = [
  ['/', 'find a question on the Workbench, a thing in the Larder'],
  ['j, k', 'the next finding at Safety, the next thing in the Larder; the one before'],
  ['1 to 3', 'at Safety: take one of the ways out that a finding offers'],
  ['1 to 4', 'in the Larder: things, jobs, swaps, never'],
  ['g then t e w l c', 'go to Today, Experiments, Workbench, Larder, Classes'],
  ['g then 1 to 8', 'a station, inside an experiment'],
  ['Esc', 'close the side sheet'],
  ['?', 'this page'],
] as const;

export function Help() {
  return (
    <>
      <Head title="Help" />
      <main className="work" style={{ maxWidth: '75ch' }}>
        <p className="lead-sentence">Design an experiment, issue it to a class, and read what the homes found.</p>
        <ol>
          <li>Classes: make a class, set its emergency and poison-advice numbers, and paste the nicknames of its homes.</li>
          <li>Experiments: begin from an example or from nothing. The margin says what the design means as you write.</li>
          <li>Materials: choose each thing from the larder by any everyday name, and say what is done in each step. What is not said is judged as the worst it could be.</li>
          <li>Safety: settle what is kept from homes; most findings offer a way out. What the guardian will read stands beside it.</li>
          <li>Issue: choose the class and the times. Every home has its link, its square code and its typed code.</li>
          <li>Run, Collect, Compare: entries appear by themselves. Show to class hides every name.</li>
        </ol>
        <p>
          Sheets name the usual cautions only. Product labels, your school’s own risk assessment and local law go first. What must not be done at home can be shown by you, with your readings shared.
        </p>
        <h2>Keys</h2>
        <table className="grid" style={{ maxWidth: 520 }}>
          <tbody>
            {keys.map(([k, words]) => (
              <tr key={k}>
                <th scope="row">{k}</th>
                <td>{words}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </main>
    </>
  );
}
