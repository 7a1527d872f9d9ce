import { useQuery } from '@tanstack/react-query';
import { api, got, type Schemas } from '../../api/client';

/** The larder in short, asked for once, and what its jobs, shelves and hazards are called. */
export function useLarder() {
  const query = useQuery({
    queryKey: ['larder'],
    queryFn: () => got(api.GET('/api/v1/larder')),
    staleTime: 60_000,
  });
  const text = (rows: Schemas['OptionRow'][] | undefined, id: string) =>
    rows?.find((r) => r.id === id)?.text ?? id;
  return {
    query,
    larder: query.data,
    jobName: (id: string) => query.data?.jobs.find((j) => j.id === id)?.name ?? id,
    shelfName: (id: string) => text(query.data?.shelves, id),
  };
}
