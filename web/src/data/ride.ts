import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

export const rideQuery = (rideId: string) =>
  queryOptions({
    queryKey: ['ride', rideId],
    queryFn: () =>
      answer(client.GET('/api/rides/{ride_id}', { params: { path: { ride_id: rideId } } })),
  });
