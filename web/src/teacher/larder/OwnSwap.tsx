import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { Labelled } from '../parts/Labelled';
import { ProblemLine } from '../parts/states';
import { ThingPicker } from './ThingPicker';
import { say } from '../words';
import { useLarder } from './useLarder';

/** A swap of the school's own: what may stand in for this thing, for which result, and how it compares. */
export function OwnSwap({
  from,
  larder,
  onKept,
}: {
  from: Schemas['ThingCard'];
  larder: Schemas['LarderView'];
  onKept: () => void;
}) {
  const { jobName } = useLarder();
  const client = useQueryClient();
  const { register, handleSubmit, setValue, control } = useForm({
    defaultValues: {
      to: '',
      role: from.jobs[0] ?? '',
      result: 'any',
      how: 'separate',
      factor: '',
      effect: '',
    },
  });
  const to = useWatch({ control, name: 'to' });
  const [problem, setProblem] = useState<unknown>();
  const keep = handleSubmit(async ({ to, role, result, how, factor, effect }) => {
    const f = Number(factor.replace(',', '.'));
    const swap = {
      role,
      results: [result],
      from: { text: '', materials: [from.id] },
      to: { text: '', materials: [to] },
      class: how,
      ...(f > 0 && how !== 'unsuitable' ? { factor: { low: f, typical: f, high: f } } : {}),
      ...(effect ? { effect } : {}),
    };
    try {
      await got(
        api.PUT('/api/v1/larder/own-swaps/{swap}', {
          params: { path: { swap: `${from.id}-${to}-${result}`.slice(0, 40).replace(/-+$/, '') } },
          body: { swap },
        }),
      );
      await client.invalidateQueries();
      onKept();
    } catch (error) {
      setProblem(error);
    }
  });
  const choice = (
    label: string,
    id: string,
    name: 'role' | 'result' | 'how',
    options: [string, string][],
  ) => (
    <Labelled id={id} words={label}>
      <FormSelect id={id} {...register(name)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </FormSelect>
    </Labelled>
  );
  return (
    <form className="card-paper" onSubmit={(e) => void keep(e)}>
      <ThingPicker
        chosen={larder.things.find((t) => t.id === to)}
        things={larder.things}
        onChoose={(id) => setValue('to', id ?? '')}
      />
      {choice(
        say('ownSwap.its-job'),
        'swap-job',
        'role',
        from.jobs.map((j) => [j, jobName(j)]),
      )}
      {choice(say('larder.for-the-result'), 'swap-result', 'result', [
        ['any', say('ownSwap.any-result')],
        ...larder.results.map((r): [string, string] => [r.id, r.text]),
      ])}
      {choice(say('ownSwap.it-compares'), 'swap-class', 'how', [
        ['pools', say('ownSwap.pools-counts-as-the-same')],
        ['scales', say('ownSwap.scales-by-its-factor')],
        ['separate', say('ownSwap.separate-a-group-of-its-own')],
        ['unsuitable', say('ownSwap.unsuitable')],
      ])}
      <Labelled id="swap-factor" words={say('ownSwap.amount-times')}>
        <FormControl
          id="swap-factor"
          inputMode="decimal"
          placeholder={say('ownSwap.one-for-one')}
          {...register('factor')}
        />
      </Labelled>
      <Labelled id="swap-effect" words={say('ownSwap.effect-on-the-result')}>
        <FormControl id="swap-effect" maxLength={200} {...register('effect')} />
      </Labelled>
      <p className="hint small">{say('ownSwap.where-a-shipped-swap-speaks-of')}</p>
      <ProblemLine error={problem} />
      <p className="ways">
        <Button type="submit" disabled={!to}>
          {say('ownSwap.keep-the-swap')}
        </Button>
      </p>
    </form>
  );
}
