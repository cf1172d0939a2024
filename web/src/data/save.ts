import { useMutation, useQueryClient, type MutationFunction } from '@tanstack/react-query';

/** Something about the barn that is saved; everything shown is fetched anew after it. */
export function useSave<V, R = unknown>(mutationFn: MutationFunction<R, V>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn,
    onSuccess: () =>
      queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'timeZones' }),
  });
}
