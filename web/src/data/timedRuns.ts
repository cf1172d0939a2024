import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

/** A run comes through the eyes while the face is open: asked again and again. */
export const timedRunsQuery = queryOptions({
  queryKey: ['timedRuns'],
  queryFn: () => answer(client.GET('/api/timed-runs')),
  refetchInterval: 4_000,
  staleTime: 0,
});
