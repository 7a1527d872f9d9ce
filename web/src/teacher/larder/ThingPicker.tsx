import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import FormControl from 'react-bootstrap/FormControl';
import { Notice } from '../parts/Notice';
import { api, got, type Schemas } from '../../api/client';
import { Verdict } from '../parts/Verdict';
import { say } from '../words';

type Thing = Schemas['ThingRow'];

/** Finds a thing by its everyday names; words that mean several things are asked about, never guessed. */
export function ThingPicker({
  chosen,
  things,
  onChoose,
}: {
  chosen: Thing | undefined;
  things: Thing[];
  onChoose: (id: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const found = useQuery({
    queryKey: ['find', typed.trim()],
    enabled: typed.trim().length > 1,
    staleTime: Infinity,
    placeholderData: (before: Schemas['LarderFound'] | undefined) => before,
    queryFn: () => got(api.GET('/api/v1/larder/find', { params: { query: { q: typed.trim() } } })),
  });
  const rows = (ids: string[]) =>
    ids.map((id) => things.find((t) => t.id === id)).filter((t): t is Thing => t !== undefined);
  const list = typed.trim().length > 1 && found.data ? found.data : undefined;
  const button = (t: Thing) => (
    <button
      key={t.id}
      type="button"
      className="thing-choice"
      onClick={() => {
        setTyped('');
        onChoose(t.id);
      }}
    >
      {t.name} {t.refused && <Verdict v="not-at-home" />}
      {t.own && <span className="second small"> {say('thingPicker.your-schools')}</span>}
    </button>
  );
  return (
    <div className="mb-2">
      <label className="named" htmlFor="thing-search">
        {chosen ? say('thingPicker.thing', { name: chosen.name }) : say('thingPicker.which-thing')}
      </label>
      <FormControl
        id="thing-search"
        type="search"
        autoComplete="off"
        placeholder={
          chosen ? say('thingPicker.look-for-another') : say('thingPicker.vinegar-soda-jam-jar')
        }
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {list && (
        <div className="thing-list" role="group" aria-label={say('thingPicker.found')}>
          {list.asks.map((a) => (
            <Notice key={a.why} kind="note" className="my-1">
              {a.why}
            </Notice>
          ))}
          {rows(list.asks.flatMap((a) => a.choices)).map(button)}
          {rows(list.things)
            .filter((t) => !list.asks.some((a) => a.choices.includes(t.id)))
            .slice(0, 8)
            .map(button)}
          {list.things.length === 0 && list.asks.length === 0 && (
            <p className="second my-1">
              {say('thingPicker.nothing-is-called-here', {
                typed: typed.trim(),
                value: list.nearest.length > 0 && ' Nearest:',
              })}
            </p>
          )}
          {rows(list.nearest).map(button)}
        </div>
      )}
    </div>
  );
}
