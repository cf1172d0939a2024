import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

export const coolOutsQuery = (horse_id: string) =>
  queryOptions({
    queryKey: ['horse', horse_id, 'cool-outs'],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/cool-outs', { params: { path: { horse_id } } })),
  });

export const coolOutPath = (horseId: string) => `/horses/${horseId}/cool-out`;
