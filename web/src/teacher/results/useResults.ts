import { useQuery } from '@tanstack/react-query';
import { ask, type Schemas } from '../../api/client';

export type Results = Schemas['Results'];
export type HomeResult = Schemas['HomeResult'];
export type Assignment = Schemas['AssignmentView'];

/** The class page of an assignment; live events refresh it. */
export function useResults(a: Assignment | undefined) {
  return useQuery({ queryKey: ['results', a?.id], queryFn: () => ask<Results>('GET', `/classes/${a!.class}/assignments/${a!.id}/results`), enabled: Boolean(a) });
}

export const stateWords: Record<HomeResult['state'], string> = { 'not-opened': 'not opened', opened: 'opened', declined: 'shared readings', watching: 'watches', withdrawn: 'permission taken back', working: 'working', sent: 'sent' };

/** What stands on Run and in Collect where an adult was needed and none had said to be there. */
export const unheardWords = (h: { unheard: number[] }) => (h.unheard.length ? `adult not said at step ${h.unheard.join(', ')}: not counted` : '');
