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

/** What stands on Run and in Collect at a step that was worked at before what it waits for was said. */
export const guardWords: Record<Schemas['HeldStep']['why'], string> = { 'adult-not-said': 'adult not said', 'fact-not-said': 'home not asked', 'not-here': 'not for this home' };
export const isGuard = (s?: string): s is Schemas['HeldStep']['why'] => s !== undefined && s in guardWords;
export const heldWords = (h: { held: Schemas['HeldStep'][] }) => h.held.map((s) => `${guardWords[s.why]} at step ${s.number}: not counted`).join(' · ');
