import type { Schemas } from '../../api/client';
import { Grid } from '../parts/Grid';
import { Verdict } from '../parts/Verdict';
import { say } from '../words';

/** What never stands in one vessel, and what is never done. */
export function Never({ never }: { never: Schemas['NeverRow'][] }) {
  return (
    <Grid>
      <thead>
        <tr>
          <th scope="col">{say('larder.never-together-never-do')}</th>
          <th scope="col">{say('larder.what-comes-of-it')}</th>
          <th scope="col">{say('larder.what-the-rules-do')}</th>
        </tr>
      </thead>
      <tbody>
        {never.map((n) => (
          <tr key={n.what}>
            <th scope="row" className="fw-normal">
              <Verdict v="not-at-home" word={false} /> {n.what}
            </th>
            <td>{n.result}</td>
            <td>{n.rule}</td>
          </tr>
        ))}
      </tbody>
    </Grid>
  );
}
