import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

/** Care that is due within two weeks, or overdue. */
export const careDueQuery = queryOptions({
  queryKey: ['careDue'],
  queryFn: () => answer(client.GET('/api/care/due')),
});

/** Trips of the last weeks, and those on which nothing was asked. */
export const tripsQuery = queryOptions({
  queryKey: ['trips'],
  queryFn: () => answer(client.GET('/api/trips')),
});

/** How much a horse worked. */
export const loadQuery = (horse_id: string) =>
  queryOptions({
    queryKey: ['horse', horse_id, 'load'],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/load', { params: { path: { horse_id } } })),
  });
