import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** A time as its field takes it, by this computer's clock. */
export const local = (d: Date) =>
  new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);

/** Gives what was issued another end; the pages of its homes follow at once. */
export function NewDue({ a, onDone }: { a: Schemas['AssignmentView']; onDone: () => void }) {
  const [due, setDue] = useState(local(new Date(a.due_at)));
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const keep = async () => {
    setError(undefined);
    try {
      await got(
        api.PUT('/api/v1/classes/{class}/assignments/{assignment}/due', {
          params: { path: { class: a.class, assignment: a.id } },
          body: { due_at: new Date(due).toISOString() },
        }),
      );
      await client.invalidateQueries();
      onDone();
    } catch (e) {
      setError(e);
    }
  };
  return (
    <div className="mt-2">
      <label className="named" htmlFor={`due-${a.id}`}>
        {say('issue.new-end')}
      </label>
      <FormControl
        id={`due-${a.id}`}
        className="w-auto"
        type="datetime-local"
        value={due}
        onChange={(e) => setDue(e.target.value)}
      />
      <ProblemLine error={error} />
      <p className="mt-2 mb-0">
        <Button onClick={() => void keep()}>{say('kitchens.keep')}</Button>{' '}
        <Button variant="outline-primary" onClick={onDone}>
          {say('findingCard.leave-it')}
        </Button>
      </p>
    </div>
  );
}
