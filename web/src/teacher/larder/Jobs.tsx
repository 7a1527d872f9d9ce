import Button from 'react-bootstrap/Button';
import type { Schemas } from '../../api/client';
import { Grid } from '../parts/Grid';
import { say } from '../words';

/** The jobs that things do in experiments, with what matters about each. */
export function Jobs({
  jobs,
  onChoose,
}: {
  jobs: Schemas['JobRow'][];
  onChoose: (id: string) => void;
}) {
  return (
    <Grid className="larder">
      <thead>
        <tr>
          <th scope="col">{say('larder.job')}</th>
          <th scope="col">{say('larder.what-it-does')}</th>
          <th scope="col">{say('larder.properties-that-matter')}</th>
          <th scope="col">{say('larder.usual-failure')}</th>
          <th scope="col" className="num">
            {say('larder.things-2')}
          </th>
        </tr>
      </thead>
      <tbody>
        {jobs.map((j) => (
          <tr key={j.id}>
            <th scope="row">
              <Button variant="plain" data-thing={j.id} onClick={() => onChoose(j.id)}>
                {j.name}
              </Button>
            </th>
            <td>{j.job}</td>
            <td>{j.matters}</td>
            <td>{j.failure}</td>
            <td className="num">{j.things}</td>
          </tr>
        ))}
      </tbody>
    </Grid>
  );
}
