import type { Schemas } from '../../api/client';
import { Grid } from '../parts/Grid';
import { Comparability } from '../parts/Verdict';
import { say } from '../words';

/** What can stand for what, and for which result. */
export function Swaps({ swaps }: { swaps: Schemas['SwapRow'][] }) {
  return (
    <Grid className="larder">
      <thead>
        <tr>
          <th scope="col">{say('larder.instead-of')}</th>
          <th scope="col">{say('larder.use')}</th>
          <th scope="col">{say('larder.for-the-result')}</th>
          <th scope="col">{say('larder.compares')}</th>
          <th scope="col">{say('larder.worked-example')}</th>
          <th scope="col">{say('larder.effect-and-what-changes')}</th>
        </tr>
      </thead>
      <tbody>
        {swaps.map((s) => (
          <tr key={s.id}>
            <th scope="row" className="fw-normal">
              {s.from}
            </th>
            <td>{s.to}</td>
            <td>{s.results.join(' · ')}</td>
            <td>
              <Comparability c={s.class} />
            </td>
            <td>{s.worked}</td>
            <td>
              {[s.effect, s.safety && say('larder.safety', { safety: s.safety }), s.procedure]
                .filter(Boolean)
                .join('. ')}
            </td>
          </tr>
        ))}
      </tbody>
    </Grid>
  );
}
