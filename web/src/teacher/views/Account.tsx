import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { ask, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { day, Loading, PartError, ProblemLine } from '../frame/parts';
import { Head } from '../frame/TeacherFrame';

/** The teacher's own account: password, and where they are signed in. */
export function Account({ me }: { me: Schemas['Me'] }) {
  return (
    <>
      <Head title="Your account" small={`${me.name} · ${me.email}`} />
      <main className="work">
        <div className="two-col">
          <Password email={me.email} />
          <Browsers />
        </div>
      </main>
    </>
  );
}

interface Fields {
  old: string;
  password: string;
}

function Password({ email }: { email: string }) {
  const { register, handleSubmit, reset } = useForm<Fields>({ defaultValues: { old: '', password: '' } });
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const { did } = useKeeping();
  const submit = handleSubmit(async (body) => {
    setError(undefined);
    try {
      await ask('PUT', '/session/password', { body });
      reset();
      await client.invalidateQueries({ queryKey: ['sessions'] });
      did('Password changed; other browsers are signed out');
    } catch (e) {
      setError(e);
    }
  });
  return (
    <section aria-label="Password">
      <h2>Password</h2>
      <form className="card-paper" onSubmit={(e) => void submit(e)}>
        <input type="email" autoComplete="username" value={email} readOnly hidden />
        <label className="named" htmlFor="old">Your present password</label>
        <input id="old" className="form-control" type="password" autoComplete="current-password" {...register('old', { required: true })} />
        <label className="named" htmlFor="new" style={{ marginTop: 12 }}>The new one</label>
        <input id="new" className="form-control" type="password" autoComplete="new-password" aria-describedby="new-how" {...register('password', { required: true })} />
        <p id="new-how" className="hint small">At least twelve signs. Three or four plain words are good, and easy to keep in mind.</p>
        <ProblemLine error={error} />
        <button type="submit" className="btn btn-primary">Change it and sign out elsewhere</button>
      </form>
    </section>
  );
}

function Browsers() {
  const client = useQueryClient();
  const { did } = useKeeping();
  const sessions = useQuery({ queryKey: ['sessions'], queryFn: () => ask<Schemas['ListSessionView']>('GET', '/sessions') });
  const end = async (path: string, words: string) => {
    await ask('DELETE', path);
    await client.invalidateQueries({ queryKey: ['sessions'] });
    did(words);
  };
  const others = sessions.data?.items.filter((s) => !s.here) ?? [];
  return (
    <section aria-label="Signed in">
      <h2>Where you are signed in</h2>
      {sessions.isPending && <Loading what="your browsers" />}
      {sessions.error && <PartError what="Your browsers" error={sessions.error} retry={() => void sessions.refetch()} />}
      <ul className="plain-list">
        {sessions.data?.items.map((s, i) => (
          <li key={s.id || i} className="row-line">
            <strong>{s.browser || 'A browser'}</strong>
            <span className="second">
              {s.since && `since ${day(s.since)}`}
              {s.here ? ' · this one' : s.seen ? ` · last used ${day(s.seen)}` : ''}
            </span>
            {!s.here && (
              <button type="button" className="btn-plain" onClick={() => void end(`/sessions/${s.id}`, `${s.browser || 'A browser'} signed out`)}>
                Sign out<span className="visually-hidden"> {s.browser}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <button type="button" className="btn btn-outline-primary" onClick={() => void end('/sessions', 'All other browsers signed out')}>
          Sign out everywhere else
        </button>
      )}
      {sessions.data && others.length === 0 && <p className="hint">Nowhere else. A browser that is not used for three days is signed out by itself.</p>}
    </section>
  );
}
