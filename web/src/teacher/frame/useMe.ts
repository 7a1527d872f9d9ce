import { useQuery } from '@tanstack/react-query';
import { api, got } from '../../api/client';

/** Who is signed in, and what this server can do. */
export const useMe = () =>
  useQuery({ queryKey: ['me'], queryFn: () => got(api.GET('/api/v1/session')), staleTime: 60_000 });
