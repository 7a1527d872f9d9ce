import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, ProblemError, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

type Fields = Schemas['AssessmentFields'];

/** The school's own risk assessment: who made it, when, what about; signed for the design as it stands. */
export function Assessment({ id, by }: { id: string; by: string }) {
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  // The design is kept a moment after it is changed: what was signed may no longer hold.
  const { data } = useQuery({
    queryKey: ['assessment', id],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/assessment', {
          params: { path: { experiment: id } },
        }),
      ),
    refetchInterval: 5000,
  });
  if (!data) return null;
  const signed = data.signed;
  return (
    <section className="card-paper mt-3" aria-label={say('assessment.the-schools-own-assessment')}>
      <h3>{say('assessment.the-schools-own-assessment')}</h3>
      {signed && (
        <p>
          {signed.by}, {signed.on}: {signed.about}
        </p>
      )}
      {signed && !data.holds && (
        <p className="w-mend">{say('assessment.the-design-was-changed-since-it')}</p>
      )}
      {!signed && <p className="hint">{say('assessment.not-signed-it-goes-before-anything')}</p>}
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
          <Button variant="outline-primary" onClick={() => setOpen(true)}>
            {say('assessment.sign-it-for-this-design')}
          </Button>
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
      await got(
        api.POST('/api/v1/experiments/{experiment}/assessment', {
          params: { path: { experiment: id } },
          body: f,
        }),
      );
      await onDone();
    } catch (e) {
      setError(e);
      if (e instanceof ProblemError && e.problem.field) setFocus(e.problem.field as keyof Fields);
    }
  });
  return (
    <form onSubmit={(e) => void submit(e)}>
      <label className="named" htmlFor="by">
        {say('assessment.who-made-it')}
      </label>
      <FormControl id="by" {...register('by')} />
      <label className="named" htmlFor="on">
        {say('assessment.when')}
      </label>
      <FormControl id="on" type="date" {...register('on')} />
      <label className="named" htmlFor="about">
        {say('assessment.what-it-is-about')}
      </label>
      <FormControl id="about" maxLength={200} {...register('about')} />
      <ProblemLine error={error} />
      <Button type="submit" className="mt-3">
        {say('assessment.sign')}
      </Button>
    </form>
  );
}
