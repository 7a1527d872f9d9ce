import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, ProblemError, type Schemas } from '../../api/client';
import { ProblemLine } from '../frame/parts';

type Fields = Schemas['AssessmentFields'];

/** The school's own risk assessment: who made it, when, what about; signed for the design as it stands. */
export function Assessment({ id, by }: { id: string; by: string }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  // The design is kept a moment after it is changed: what was signed may no longer hold.
  const { data } = useQuery({ queryKey: ['assessment', id], queryFn: () => ask<Schemas['AssessmentView']>('GET', `/experiments/${id}/assessment`), refetchInterval: 5000 });
  if (!data) return null;
  const signed = data.signed;
  return (
    <section className="card-paper" style={{ marginTop: 12 }} aria-label="The school’s own assessment">
      <h3>The school’s own assessment</h3>
      {signed && (
        <p>
          {signed.by}, {signed.on}: {signed.about}
        </p>
      )}
      {signed && !data.holds && <p className="w-mend">The design was changed since. It wants to be signed again.</p>}
      {!signed && <p className="hint">Not signed. It goes before anything these rules say, and stands on the sheet of the version it was signed for.</p>}
      {open ? (
        <Sign
          id={id}
          begin={{ by: signed?.by ?? by, on: today(), about: signed?.about ?? '' }}
          onDone={async () => {
            setOpen(false);
            await client.invalidateQueries({ queryKey: ['assessment', id] });
          }}
        />
      ) : (
        !data.holds && (
          <button type="button" className="btn btn-outline-primary" onClick={() => setOpen(true)}>
            Sign it for this design
          </button>
        )
      )}
    </section>
  );
}

const today = () => {
  const d = new Date();
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
};

function Sign({ id, begin, onDone }: { id: string; begin: Fields; onDone: () => Promise<void> }) {
  const { register, handleSubmit, setFocus } = useForm<Fields>({ defaultValues: begin });
  const [error, setError] = useState<unknown>();
  const submit = handleSubmit(async (f) => {
    setError(undefined);
    try {
      await ask('POST', `/experiments/${id}/assessment`, { body: f });
      await onDone();
    } catch (e) {
      setError(e);
      if (e instanceof ProblemError && e.problem.field) setFocus(e.problem.field as keyof Fields);
    }
  });
  return (
    <form onSubmit={(e) => void submit(e)}>
      <label className="named" htmlFor="by">Who made it</label>
      <input id="by" className="form-control" {...register('by')} />
      <label className="named" htmlFor="on">When</label>
      <input id="on" className="form-control" type="date" {...register('on')} />
      <label className="named" htmlFor="about">What it is about</label>
      <input id="about" className="form-control" maxLength={200} {...register('about')} />
      <ProblemLine error={error} />
      <button type="submit" className="btn btn-primary" style={{ marginTop: 12 }}>
        Sign
      </button>
    </form>
  );
}
