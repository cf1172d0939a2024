import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

export const todayQuery = queryOptions({
  queryKey: ['today'],
  queryFn: () => answer(client.GET('/api/today')),
});

export const horseQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['horse', horseId],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}', { params: { path: { horse_id: horseId } } })),
  });
