import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormSelect from 'react-bootstrap/FormSelect';
import { api, got, type Schemas } from '../../api/client';
import { useKeeping } from '../frame/keeping';
import { ProblemLine } from '../parts/states';
import { say } from '../words';

/** Puts a home into another class, or into both. */
export function Moving({
  classId,
  home,
  onMoved,
}: {
  classId: string;
  home: Schemas['HomeView'];
  onMoved: () => void;
}) {
  const client = useQueryClient();
  const { did } = useKeeping();
  const classes = useQuery({
    queryKey: ['classes'],
    queryFn: () => got(api.GET('/api/v1/classes')),
  });
  const others = (classes.data?.items ?? []).filter((c) => c.id !== classId);
  const [to, setTo] = useState('');
  const [error, setError] = useState<unknown>();
  if (others.length === 0) return null;
  const there = to || others[0].id;
  const move = async (stay: boolean) => {
    setError(undefined);
    try {
      await got(
        api.POST('/api/v1/classes/{class}/homes/{home}/move', {
          params: { path: { class: classId, home: home.id } },
          body: { to: there, stay },
        }),
      );
      await client.invalidateQueries();
      did(
        say('homeSheet.moved', {
          nickname: home.nickname,
          name: others.find((c) => c.id === there)?.name,
        }),
      );
      if (!stay) onMoved();
    } catch (e) {
      setError(e);
    }
  };
  return (
    <div className="band mt-3">
      <h3>{say('homeSheet.another-class')}</h3>
      <p className="hint small">{say('homeSheet.goes-with-it')}</p>
      <label className="named" htmlFor="move-to">
        {say('homeSheet.to-class')}
      </label>
      <FormSelect id="move-to" value={there} onChange={(e) => setTo(e.target.value)}>
        {others.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </FormSelect>
      <div className="mt-2 d-flex gap-2 flex-wrap">
        <Button variant="outline-primary" onClick={() => void move(false)}>
          {say('homeSheet.move')}
        </Button>
        <Button variant="outline-primary" onClick={() => void move(true)}>
          {say('homeSheet.also')}
        </Button>
      </div>
      <ProblemLine error={error} />
    </div>
  );
}
