import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { ProblemLine } from '../parts/states';
import { Said, say } from '../words';
import { GivenSelect, givable, seenAtHome, type Given } from './GivenSelect';
import type { Results } from './useResults';

type Fields = Schemas['DeskFields'];
type Act = 'set-aside' | 'reading' | 'asked';

const acts: Record<Act, { words: string; label: string; example: string; done: string }> = {
  asked: {
    words: say('atDesk.ask-back'),
    label: say('atDesk.what-do-you-ask-the-home'),
    example: say('atDesk.did-you-read-millimetres-or-centimetres'),
    done: say('atDesk.ask'),
  },
  reading: {
    words: say('atDesk.put-another-value'),
    label: say('atDesk.why-it-stands-in-the-notebook'),
    example: say('atDesk.the-photo-shows-45-mm-the'),
    done: say('atDesk.put-it-there'),
  },
  'set-aside': {
    words: say('atDesk.set-aside'),
    label: say('atDesk.why-does-it-not-count-it'),
    example: say('atDesk.the-ruler-was-upside-down-on'),
    done: say('atDesk.set-it-aside'),
  },
};

/** Whose notebook, of which assignment. */
export interface Notebook {
  class: string;
  assignment: string;
  home: string;
}

/** Sends what the teacher writes into a home's notebook. */
export function useDesk(of: Notebook) {
  const client = useQueryClient();
  return async (body: Fields) => {
    await got(
      api.POST('/api/v1/classes/{class}/assignments/{assignment}/notebooks/{home}/desk', {
        params: { path: of },
        body,
      }),
    );
    await client.invalidateQueries({ queryKey: ['results'] });
  };
}

/** What a teacher can do about one reading, each with its reason: nothing is changed silently. */
export function AtDesk({
  of,
  reading,
  name,
  asked,
}: {
  of: Notebook;
  reading: string;
  name: string;
  asked: Results['readings'][number] | undefined;
}) {
  const [open, setOpen] = useState(false);
  const [act, setAct] = useState<Act>();
  const { register, handleSubmit, reset } = useForm({ defaultValues: { words: '', typed: '' } });
  const [value, setValue] = useState<Given>();
  const [error, setError] = useState<unknown>();
  const write = useDesk(of);
  const keep = handleSubmit(async ({ words, typed }) => {
    setError(undefined);
    try {
      await write({
        kind: act!,
        refers: reading,
        ...(act === 'asked' ? { text: words } : { reason: words }),
        ...(act === 'reading' && (value ? { value } : { typed })),
      });
      setAct(undefined);
      setOpen(false);
      reset();
    } catch (problem) {
      setError(problem);
    }
  });
  if (!open) {
    return (
      <span className="desk-acts">
        <Button variant="plain" onClick={() => setOpen(true)}>
          <Said
            of={say('atDesk.not-right', { name })}
            with={[<span key="0" className="visually-hidden" />]}
          />
        </Button>
      </span>
    );
  }
  if (!act) {
    return (
      <span className="desk-acts">
        {(Object.keys(acts) as Act[])
          .filter((a) => a !== 'reading' || !seenAtHome(asked)) // what only who was there can say
          .map((a) => (
            <Button key={a} variant="plain" onClick={() => setAct(a)}>
              {acts[a].words}
              <span className="visually-hidden">: {name}</span>
            </Button>
          ))}
      </span>
    );
  }
  const id = `desk-${reading}`;
  return (
    <Notice kind="note">
      <form onSubmit={(e) => void keep(e)}>
        {act === 'reading' && (
          <>
            <label className="named" htmlFor={`${id}-typed`}>
              {say('atDesk.the-value-in-its-place')}
            </label>
            {givable(asked) ? (
              <GivenSelect id={`${id}-typed`} reading={asked!} onGive={setValue} />
            ) : (
              <FormControl
                id={`${id}-typed`}
                maxLength={200}
                placeholder="45 mm"
                {...register('typed')}
              />
            )}
          </>
        )}
        <label className="named" htmlFor={id}>
          {acts[act].label}
        </label>
        <FormControl
          id={id}
          maxLength={400}
          {...register('words')}
          placeholder={acts[act].example}
        />
        <ProblemLine error={error} />
        <Button type="submit" variant="outline-primary" className="mt-2">
          {acts[act].done}
        </Button>{' '}
        <Button variant="plain" onClick={() => setAct(undefined)}>
          {say('findingCard.leave-it')}
        </Button>
      </form>
    </Notice>
  );
}
