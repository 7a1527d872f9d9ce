import { useQuery } from '@tanstack/react-query';
import { useEffect, useId, useState, type KeyboardEvent } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { api, got, type Schemas } from '../../api/client';
import { Icon } from '../../ui/Icon';
import { useEditing } from '../draft/fields';
import { say } from '../words';

type Group = Schemas['ActionGroup'];
interface Found {
  id: string;
  name: string;
  group: string;
  never: boolean;
}

const most = 12;

/** What suits a few letters, or the common ones without any; what never goes home is found under its name alone. */
function find(groups: Group[], typed: string, done: string[]): Found[] {
  const wanted = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return groups
    .flatMap((g, i) =>
      wanted.length > 0 || i === 0
        ? g.actions.map((a) => ({ ...a, group: g.name, never: Boolean(g.never) }))
        : [],
    )
    .filter(
      (a) =>
        !done.includes(a.id) &&
        wanted.every((w) =>
          `${a.name} ${a.id} ${a.never ? '' : a.group}`.toLowerCase().includes(w),
        ),
    )
    .slice(0, most);
}

/** What is done in a step, in words: typed, or chosen from the common ones. */
export function ActionPicker({ at }: { at: number }) {
  const { doc, set } = useEditing();
  const groups = useQuery({
    queryKey: ['actions'],
    queryFn: () => got(api.GET('/api/v1/actions')),
    staleTime: Infinity,
  });
  const [typed, setTyped] = useState('');
  const [open, setOpen] = useState(false);
  const [active, setActive] = useState(0);
  const list = useId();
  const all = groups.data?.items ?? [];
  const done = doc.steps![at].actions ?? [];
  const put = (next: string[]) => set(['steps', at, 'actions'], next);
  const name = (id: string) => all.flatMap((g) => g.actions).find((a) => a.id === id)?.name ?? id;
  const found = find(all, typed, done);
  useEffect(() => {
    if (open) document.getElementById(`${list}-${active}`)?.scrollIntoView({ block: 'nearest' });
  }, [list, open, active]);
  const add = (a: Found) => {
    put([...done, a.id]);
    setTyped('');
    setActive(0);
  };
  const onKey = (e: KeyboardEvent) => {
    if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
      e.preventDefault();
      setOpen(true);
      setActive(
        (found.length + active + (e.key === 'ArrowDown' ? (open ? 1 : 0) : -1)) %
          Math.max(1, found.length),
      );
    } else if (e.key === 'Enter' && open && found[active]) {
      e.preventDefault();
      add(found[active]);
    } else if (e.key === 'Escape' && open) {
      e.stopPropagation();
      setOpen(false);
    }
  };
  return (
    <fieldset className="mb-2">
      <legend className="named small m-0">{say('actionPicker.what-is-done')}</legend>
      {done.map((a) => (
        <Button
          key={a}
          variant="plain"
          className="small me-3"
          aria-label={say('actionPicker.take-out', { name: name(a) })}
          onClick={() => put(done.filter((x) => x !== a))}
        >
          {name(a)} ✕
        </Button>
      ))}
      <div className="picker">
        <label className="visually-hidden" htmlFor={`${list}-field`}>
          {say('actionPicker.add-what-is-done')}
        </label>
        <FormControl
          id={`${list}-field`}
          role="combobox"
          aria-expanded={open}
          aria-controls={list}
          aria-autocomplete="list"
          aria-activedescendant={open && found[active] ? `${list}-${active}` : undefined}
          placeholder={say('actionPicker.pour-cut-heat')}
          autoComplete="off"
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setOpen(true);
            setActive(0);
          }}
          onFocus={() => setOpen(true)}
          onBlur={() => setOpen(false)}
          onKeyDown={onKey}
        />
        <ul
          id={list}
          role="listbox"
          aria-label={say('actionPicker.actions')}
          hidden={!open || found.length === 0}
        >
          {found.map((a, i) => (
            // The field keeps the focus and has the keys: a press would take it before the choice is made.
            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
            <li
              key={a.id}
              id={`${list}-${i}`}
              role="option"
              aria-selected={i === active}
              onMouseDown={(e) => e.preventDefault()}
              onClick={() => add(a)}
            >
              {a.name}
              {a.never && (
                <span className="w-stop small">
                  {' '}
                  <Icon name="x-octagon" /> {say('actionPicker.never-at-home')}
                </span>
              )}
            </li>
          ))}
        </ul>
        {open && typed && found.length === 0 && (
          <p className="hint small">{say('actionPicker.the-safety-rules-know-no-such')}</p>
        )}
      </div>
    </fieldset>
  );
}
