import { useQuery } from '@tanstack/react-query';
import Button from 'react-bootstrap/Button';
import { api, got, type Schemas } from '../../api/client';
import { SideSheet } from '../parts/SideSheet';
import { Loading, PartError } from '../parts/states';
import { say } from '../words';
import { classes, markWords, type Cell, type Row } from './KitchenMarks';

type Supply = Schemas['SupplyRow'];

interface Props {
  experiment: string;
  of: string;
  row: Row;
  cell: Cell;
  need: { need: string; name: string };
  onTry: (use: string) => void;
  onPin: (homes: string[], use: string) => void;
  onClose: () => void;
}

/** What a home uses for a need and why, and what else it could use with what each would do. */
export function CellSheet({ experiment, of, row, cell, need, onTry, onPin, onClose }: Props) {
  const supplies = useQuery({
    queryKey: ['kitchens', experiment, of, 'supplies', row.home, need.need],
    queryFn: () =>
      got(
        api.GET('/api/v1/experiments/{experiment}/kitchens/supplies', {
          params: {
            path: { experiment },
            query: { class: of, home: row.home, need: need.need },
          },
        }),
      ),
  });
  const chosen = supplies.data?.supplies.find((w) => w.chosen);
  const others = supplies.data?.supplies.filter((w) => !w.chosen) ?? [];
  const alike = supplies.data?.alike ?? [];
  return (
    <SideSheet title={`${row.nickname} · ${need.name}`} onClose={onClose}>
      <p className="mt-0">
        <strong>{chosen?.name ?? cell.name ?? need.name}</strong> {cell.amount}
        <br />
        {markWords(cell)}
      </p>
      {chosen && <p className="second">{chosen.why}</p>}
      {chosen && !cell.pinned && (
        <p>
          <Button variant="outline-primary" onClick={() => onPin([row.home], chosen.use)}>
            {say('kitchens.pin-this')}
          </Button>{' '}
          {alike.length > 1 && !chosen.own && (
            <Button variant="outline-primary" onClick={() => onPin(alike, chosen.use)}>
              {say('kitchens.pin-for-all', { count: alike.length })}
            </Button>
          )}
        </p>
      )}
      {cell.pinned && (
        <p>
          <Button variant="outline-primary" onClick={() => onPin([row.home], '')}>
            {say('kitchens.unpin')}
          </Button>
        </p>
      )}
      <h3>{say('kitchens.other-ways')}</h3>
      {supplies.isPending && <Loading what={say('kitchens.its-ways')} />}
      {supplies.isError && (
        <PartError
          what={say('kitchens.its-ways')}
          error={supplies.error}
          retry={() => void supplies.refetch()}
        />
      )}
      {supplies.data && others.length === 0 && (
        <p className="hint">{say('kitchens.no-other-ways')}</p>
      )}
      {others.map((w) => (
        <WayLine key={w.use} w={w} onTry={() => onTry(w.use)} />
      ))}
    </SideSheet>
  );
}

function WayLine({ w, onTry }: { w: Supply; onTry: () => void }) {
  return (
    <div className="way">
      <p className="m-0">
        <strong>{w.name}</strong> {w.amount} · {classes[w.class]}
        {w.sends && ` · ${say('kitchens.to-send')}`}
      </p>
      {!w.own && <p className="second small m-0">{w.why}</p>}
      {w.cautions.map((c) => (
        <p key={c} className="small m-0">
          {c}
        </p>
      ))}
      {w.closed.length > 0 && (
        <p className="small m-0">{say('kitchens.closes', { steps: w.closed.join(', ') })}</p>
      )}
      <p className="second small m-0">{say('kitchens.would-be', { says: w.says })}</p>
      <Button variant="outline-primary" size="sm" onClick={onTry}>
        {say('kitchens.try-it')}
        <span className="visually-hidden">: {w.name}</span>
      </Button>
    </div>
  );
}
