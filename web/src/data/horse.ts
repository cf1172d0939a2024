import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../base/api/client';

export type HorsePage = Schemas['HorsePage'];
export type HorseLevel = Schemas['HorseLevel'];

export const horsesQuery = queryOptions({
  queryKey: ['horses'],
  queryFn: () => answer(client.GET('/api/horses')),
});

/** A horse as a whole, on a date; today when left out. */
export const horsePageQuery = (horseId: string, on?: string) =>
  queryOptions({
    queryKey: ['horse', horseId, 'page', on ?? 'today'],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/page', {
          params: { path: { horse_id: horseId }, query: on ? { on } : {} },
        }),
      ),
  });

export const horsePath = (horseId: string, on?: string) =>
  `/horses/${horseId}${on ? `?on=${on}` : ''}`;
