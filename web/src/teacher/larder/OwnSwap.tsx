import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
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
  const [to, setTo] = useState<string>();
  const [role, setRole] = useState(from.jobs[0] ?? '');
  const [result, setResult] = useState('any');
  const [how, setHow] = useState('separate');
  const [factor, setFactor] = useState('');
  const [effect, setEffect] = useState('');
  const [problem, setProblem] = useState<unknown>();
  const keep = async () => {
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
  };
  const choice = (
    label: string,
    id: string,
    value: string,
    set: (v: string) => void,
    options: [string, string][],
  ) => (
    <>
      <label className="named" htmlFor={id}>
        {label}
      </label>
      <FormSelect id={id} value={value} onChange={(e) => set(e.target.value)}>
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </FormSelect>
    </>
  );
  return (
    <form
      className="card-paper"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <ThingPicker
        chosen={larder.things.find((t) => t.id === to)}
        things={larder.things}
        onChoose={setTo}
      />
      {choice(
        say('ownSwap.its-job'),
        'swap-job',
        role,
        setRole,
        from.jobs.map((j) => [j, jobName(j)]),
      )}
      {choice(say('larder.for-the-result'), 'swap-result', result, setResult, [
        ['any', say('ownSwap.any-result')],
        ...larder.results.map((r): [string, string] => [r.id, r.text]),
      ])}
      {choice(say('ownSwap.it-compares'), 'swap-class', how, setHow, [
        ['pools', say('ownSwap.pools-counts-as-the-same')],
        ['scales', say('ownSwap.scales-by-its-factor')],
        ['separate', say('ownSwap.separate-a-group-of-its-own')],
        ['unsuitable', say('ownSwap.unsuitable')],
      ])}
      <label className="named" htmlFor="swap-factor">
        {say('ownSwap.amount-times')}
      </label>
      <FormControl
        id="swap-factor"
        inputMode="decimal"
        placeholder={say('ownSwap.one-for-one')}
        value={factor}
        onChange={(e) => setFactor(e.target.value)}
      />
      <label className="named" htmlFor="swap-effect">
        {say('ownSwap.effect-on-the-result')}
      </label>
      <FormControl
        id="swap-effect"
        maxLength={200}
        value={effect}
        onChange={(e) => setEffect(e.target.value)}
      />
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
