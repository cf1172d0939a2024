import { queryOptions, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { answer, client, ProblemError, type Schemas } from '../api/client';

export type Who = Schemas['Who'];

const keptKey = 'cavesson.who';

/** Who was signed in last on this device: lets a ride go on without signal. */
function keptWho(): Who | undefined {
  const text = localStorage.getItem(keptKey);
  return text ? (JSON.parse(text) as Who) : undefined;
}

function keep(who: Who | null) {
  if (who) localStorage.setItem(keptKey, JSON.stringify(who));
  else localStorage.removeItem(keptKey);
}

async function fetchWho(): Promise<Who | null> {
  try {
    const who = await answer(client.GET('/api/session'));
    keep(who);
    return who;
  } catch (error) {
    if (error instanceof ProblemError && error.status === 401) {
      keep(null);
      return null;
    }
    const kept = keptWho();
    if (kept) return kept;
    throw error;
  }
}

export const whoQuery = queryOptions({
  queryKey: ['session'],
  queryFn: fetchWho,
  staleTime: 5 * 60_000,
});

/** Nothing that another person fetched stays in memory. */
function become(queries: QueryClient, who: Who | null) {
  queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
  queries.setQueryData(whoQuery.queryKey, who);
}

export function useSignIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas['NewSession']) => answer(client.POST('/api/session', { body })),
    onSuccess(who) {
      keep(who);
      become(queries, who);
    },
  });
}

export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answer(client.DELETE('/api/session')),
    onSuccess() {
      keep(null);
      become(queries, null);
    },
  });
}
