import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

export const boardQuery = queryOptions({
  queryKey: ['board'],
  queryFn: () => answer(client.GET('/api/board')),
});
