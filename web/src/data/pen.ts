import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

/** What is taken along to the pen: the cattle, and the horse's last turns. */
export const penQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['pen', horseId],
    queryFn: () =>
      answer(client.GET('/api/horses/{horse_id}/pen', { params: { path: { horse_id: horseId } } })),
    // A ride without signal may last longer than what is not looked at is kept.
    gcTime: Infinity,
  });
