import type { Schemas } from '../../api/client';
import { Grid } from '../parts/Grid';
import { say } from '../words';

/** Without buying anything: what almost every home has, and sheets that stand in for a tool. */
export function Fallbacks({ larder }: { larder: Schemas['LarderView'] }) {
  return (
    <>
      <h2 className="mt-5">{say('larder.without-buying-anything')}</h2>
      <Grid className="larder">
        <thead>
          <tr>
            <th scope="col">{say('larder.no')}</th>
            <th scope="col">{say('larder.use')}</th>
            <th scope="col">{say('larder.expect')}</th>
            <th scope="col">{say('larder.compares')}</th>
          </tr>
        </thead>
        <tbody>
          {larder.fallbacks.map((f) => (
            <tr key={f.need}>
              <th scope="row">{f.need}</th>
              <td>{f.fallback}</td>
              <td>{f.expect}</td>
              <td>{f.class}</td>
            </tr>
          ))}
        </tbody>
      </Grid>
      <h2 className="mt-5">{say('larder.printed-at-true-size')}</h2>
      <Grid className="larder">
        <thead>
          <tr>
            <th scope="col">{say('larder.sheet')}</th>
            <th scope="col">{say('larder.size-on-paper')}</th>
            <th scope="col">{say('larder.for')}</th>
            <th scope="col">{say('larder.error-after-the-check-line')}</th>
            <th scope="col">{say('larder.compares')}</th>
          </tr>
        </thead>
        <tbody>
          {larder.printables.map((p) => (
            <tr key={p.sheet}>
              <th scope="row">{p.sheet}</th>
              <td>{p.size}</td>
              <td>{p.use}</td>
              <td>{p.error}</td>
              <td>{p.class}</td>
            </tr>
          ))}
        </tbody>
      </Grid>
    </>
  );
}
