import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';

/** What no trainer has seen yet: levels lost, and what changed by a newer program. */
export const newsQuery = queryOptions({
  queryKey: ['news'],
  queryFn: () => answer(client.GET('/api/news')),
});

/** Seen: it is not told again, on no device. */
export function useSeeNews() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (news_id: string) =>
      answer(client.POST('/api/news/{news_id}/seen', { params: { path: { news_id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['news'] }),
  });
}
