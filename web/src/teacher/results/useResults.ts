import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, got, type Schemas } from '../../api/client';
import { say } from '../words';

export type Results = Schemas['Results'];
export type HomeResult = Schemas['HomeResult'];
export type Assignment = Schemas['AssignmentView'];

/** The class page of an assignment; live events refresh it. */
export function useResults(a: Assignment | undefined) {
  const client = useQueryClient();
  const queryKey = ['results', a?.class, a?.id];
  return useQuery({
    queryKey,
    queryFn: () => fetchResults(a!, client.getQueryData<Results>(queryKey)),
    enabled: Boolean(a),
  });
}

/** Asks for the rows that changed since, and takes the others from what is there. */
async function fetchResults(a: Assignment, before: Results | undefined): Promise<Results> {
  const had = new Map(before?.homes.map((h) => [h.tag!, h]));
  const now = await got(
    api.GET('/api/v1/classes/{class}/assignments/{assignment}/results', {
      params: {
        path: { class: a.class, assignment: a.id },
        query: had.size > 0 ? { had: [...had.keys()] } : {},
      },
      querySerializer: { array: { style: 'form', explode: false } },
    }),
  );
  return { ...now, homes: now.homes.map((h) => (h.had ? had.get(h.tag!)! : h)) };
}

export const stateWords: Record<HomeResult['state'], string> = {
  'not-opened': say('useResults.not-opened'),
  opened: say('useResults.opened'),
  declined: say('useResults.shared-readings'),
  watching: say('useResults.watches'),
  withdrawn: say('useResults.permission-taken-back'),
  working: say('useResults.working'),
  sent: say('useResults.sent'),
};

/** What stands on Run and in Collect at a step that was worked at before what it waits for was said. */
export const guardWords: Record<Schemas['HeldStep']['why'], string> = {
  'adult-not-said': say('useResults.adult-not-said'),
  'fact-not-said': say('useResults.home-not-asked'),
  'not-here': say('useResults.not-for-this-home'),
  'not-agreed': say('useResults.not-agreed'),
};
export const isGuard = (s?: string): s is Schemas['HeldStep']['why'] =>
  s !== undefined && s in guardWords;
export const heldWords = (h: { held: Schemas['HeldStep'][] }) =>
  h.held
    .map((s) =>
      say('useResults.at-step-not-counted', { value: guardWords[s.why], number: s.number }),
    )
    .join(' · ');
