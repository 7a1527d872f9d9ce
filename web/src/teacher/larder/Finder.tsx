import type { RefObject } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import type { Schemas } from '../../api/client';
import { say } from '../words';

export const ways = ['things', 'jobs', 'swaps', 'never'] as const;

/** The four ways into the larder, each with how much is there. */
export function WaysIn({
  larder,
  way,
  onGo,
  onOwn,
}: {
  larder: Schemas['LarderView'];
  way: string;
  onGo: (way: string) => void;
  onOwn: () => void;
}) {
  const { things, jobs, swaps } = larder;
  return (
    <div role="group" aria-label={say('larder.ways-in')} className="d-flex gap-2">
      {ways.map((w) => (
        <Button
          key={w}
          variant={w === way ? 'primary' : 'outline-primary'}
          aria-pressed={w === way}
          onClick={() => onGo(w)}
        >
          {
            {
              things: say('larder.things', { n: things.length }),
              jobs: say('larder.jobs', { n: jobs.length }),
              swaps: say('larder.swaps', { n: swaps.length }),
              never: say('larder.never'),
            }[w]
          }
        </Button>
      ))}
      <Button variant="outline-primary" onClick={onOwn}>
        {say('larder.add-your-own')}
      </Button>
    </div>
  );
}

interface Props {
  search: RefObject<HTMLInputElement | null>;
  typed: string;
  job: string;
  /** None where things are not told by their jobs. */
  jobs: Schemas['JobRow'][];
  onType: (typed: string) => void;
  onJob: (id: string) => void;
}

/** What is looked for: by any everyday name, by the job it can do. */
export function Finder({ search, typed, job, jobs, onType, onJob }: Props) {
  return (
    <div className="field-row">
      <div className="grows">
        <label className="named" htmlFor="larder-search">
          {say('larder.find-by-any-everyday-name-english')}
        </label>
        <FormControl
          id="larder-search"
          ref={search}
          type="search"
          placeholder={say('larder.vinegar-lej-a-cup')}
          value={typed}
          onChange={(e) => onType(e.target.value)}
        />
      </div>
      {jobs.length > 0 && (
        <div className="field-200">
          <label className="named" htmlFor="larder-job">
            {say('larder.that-can-do-the-job')}
          </label>
          <FormSelect id="larder-job" value={job} onChange={(e) => onJob(e.target.value)}>
            <option value="">{say('larder.any')}</option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </FormSelect>
        </div>
      )}
    </div>
  );
}
