import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate, useSearchParams } from 'react-router';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, ProblemError } from '../../api/client';
import { ShelfDrawing } from '../parts/ShelfDrawing';
import { ProblemLine } from '../parts/states';
import { Said, say } from '../words';

const pause = 600; // ms between tries while many are signing in
const tries = 60;

/** Signs in; where many are at it the server answers so at once, and it is tried again. */
async function enter(body: { email: string; password: string }) {
  for (let n = 1; ; n++) {
    try {
      await got(api.POST('/api/v1/session', { body }));
      return;
    } catch (e) {
      if (!(e instanceof ProblemError) || e.problem.code !== 'busy' || n === tries) throw e;
      await new Promise((done) => setTimeout(done, pause));
    }
  }
}

export function SignIn() {
  const { register, handleSubmit } = useForm<{ email: string; password: string }>();
  const [error, setError] = useState<unknown>();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [params] = useSearchParams();
  const submit = handleSubmit(async (body) => {
    setError(undefined);
    try {
      await enter(body);
      client.clear();
      const to = params.get('to') ?? '/today';
      await navigate(to.startsWith('/') && !to.startsWith('//') ? to : '/today');
    } catch (e) {
      setError(e);
    }
  });
  return (
    <main className="sign-in">
      <ShelfDrawing />
      <h1>{say('signIn.patient-kitchen')}</h1>
      <p className="lead-sentence mt-2">{say('signIn.one-experiment-thirty-different-kitchens')}</p>
      <form className="card-paper" onSubmit={(e) => void submit(e)}>
        <label className="named" htmlFor="email">
          {say('signIn.your-address')}
        </label>
        <FormControl
          id="email"
          type="email"
          autoComplete="username"
          {...register('email', { required: true })}
        />
        <label className="named mt-3" htmlFor="password">
          {say('account.password')}
        </label>
        <FormControl
          id="password"
          type="password"
          autoComplete="current-password"
          {...register('password', { required: true })}
        />
        <ProblemLine error={error} />
        <Button type="submit" className="mt-4">
          {say('signIn.sign-in')}
        </Button>
      </form>
      <p className="second">
        {/* eslint-disable-next-line jsx-a11y/anchor-has-content -- the sentence fills it */}
        <Said of={say('signIn.a-family-type-the-code-from')} with={[<a key="0" href="/code" />]} />
      </p>
    </main>
  );
}
