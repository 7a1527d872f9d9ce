import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { day } from '../parts/dates';
import { Loading, PartError, ProblemLine } from '../parts/states';
import { Head } from '../frame/TeacherFrame';
import { languageChoices, ownLanguage } from '../languages';
import { Said, say } from '../words';

/** The teacher's own account: password, and where they are signed in. */
export function Account({ me }: { me: Schemas['Me'] }) {
  return (
    <>
      <Head title={say('main.your-account')} small={`${me.name} · ${me.email}`} />
      <main className="work">
        <div className="two-col">
          <div>
            <Language />
            <Password email={me.email} />
          </div>
          <Browsers />
        </div>
      </main>
    </>
  );
}

/** The language of the teacher's own pages, on this computer. */
function Language() {
  const choose = (code: string) => {
    localStorage.setItem('pk-teacher-language', code);
    location.reload();
  };
  return (
    <section aria-label={say('account.language')}>
      <h2>{say('account.language')}</h2>
      <div className="card-paper">
        <label className="visually-hidden" htmlFor="own-language">
          {say('account.language')}
        </label>
        <FormSelect
          id="own-language"
          className="w-auto"
          value={ownLanguage()}
          onChange={(e) => choose(e.target.value)}
        >
          {languageChoices.map(([code, name]) => (
            <option key={code} value={code} lang={code}>
              {name}
            </option>
          ))}
        </FormSelect>
        <p className="hint small">{say('account.language-hint')}</p>
      </div>
    </section>
  );
}

interface Fields {
  old: string;
  password: string;
}

function Password({ email }: { email: string }) {
  const { register, handleSubmit, reset } = useForm<Fields>({
    defaultValues: { old: '', password: '' },
  });
  const [error, setError] = useState<unknown>();
  const client = useQueryClient();
  const { did } = useKeeping();
  const submit = handleSubmit(async (body) => {
    setError(undefined);
    try {
      await got(api.PUT('/api/v1/session/password', { body }));
      reset();
      await client.invalidateQueries({ queryKey: ['sessions'] });
      did(say('account.password-changed-other-browsers-are-signed'));
    } catch (e) {
      setError(e);
    }
  });
  return (
    <section aria-label={say('account.password')}>
      <h2>{say('account.password')}</h2>
      <form className="card-paper" onSubmit={(e) => void submit(e)}>
        <input type="email" autoComplete="username" value={email} readOnly hidden />
        <label className="named" htmlFor="old">
          {say('account.your-present-password')}
        </label>
        <FormControl
          id="old"
          type="password"
          autoComplete="current-password"
          {...register('old', { required: true })}
        />
        <label className="named mt-3" htmlFor="new">
          {say('account.the-new-one')}
        </label>
        <FormControl
          id="new"
          type="password"
          autoComplete="new-password"
          aria-describedby="new-how"
          {...register('password', { required: true })}
        />
        <p id="new-how" className="hint small">
          {say('account.at-least-twelve-signs-three-or')}
        </p>
        <ProblemLine error={error} />
        <Button type="submit">{say('account.change-it-and-sign-out-elsewhere')}</Button>
      </form>
    </section>
  );
}

function Browsers() {
  const client = useQueryClient();
  const { did } = useKeeping();
  const sessions = useQuery({
    queryKey: ['sessions'],
    queryFn: () => got(api.GET('/api/v1/sessions')),
  });
  const end = async (ended: Promise<unknown>, words: string) => {
    await ended;
    await client.invalidateQueries({ queryKey: ['sessions'] });
    did(words);
  };
  const others = sessions.data?.items.filter((s) => !s.here) ?? [];
  return (
    <section aria-label={say('account.signed-in')}>
      <h2>{say('account.where-you-are-signed-in')}</h2>
      {sessions.isPending && <Loading what={say('account.your-browsers')} />}
      {sessions.error && (
        <PartError
          what={say('account.your-browsers-2')}
          error={sessions.error}
          retry={() => void sessions.refetch()}
        />
      )}
      <ul className="plain-list">
        {sessions.data?.items.map((s, i) => (
          <li key={s.id || i} className="row-line">
            <strong>{s.browser || say('account.a-browser')}</strong>
            <span className="second">
              {s.since && say('account.since', { day: day(s.since) })}
              {s.here
                ? say('account.this-one')
                : s.seen
                  ? say('account.last-used', { day: day(s.seen) })
                  : ''}
            </span>
            {!s.here && (
              <Button
                variant="plain"
                onClick={() =>
                  void end(
                    api.DELETE('/api/v1/sessions/{session}', {
                      params: { path: { session: s.id } },
                    }),
                    say('account.signed-out', { value: s.browser || say('account.a-browser') }),
                  )
                }
              >
                <Said
                  of={say('account.sign-out', { browser: s.browser })}
                  with={[<span key="0" className="visually-hidden" />]}
                />
              </Button>
            )}
          </li>
        ))}
      </ul>
      {others.length > 1 && (
        <Button
          variant="outline-primary"
          onClick={() =>
            void end(api.DELETE('/api/v1/sessions'), say('account.all-other-browsers-signed-out'))
          }
        >
          {say('account.sign-out-everywhere-else')}
        </Button>
      )}
      {sessions.data && others.length === 0 && (
        <p className="hint">{say('account.nowhere-else-a-browser-that-is')}</p>
      )}
    </section>
  );
}
