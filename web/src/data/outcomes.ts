import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

export const outcomesQuery = queryOptions({
  queryKey: ['outcomes'],
  queryFn: () => answer(client.GET('/api/outcomes')),
});
