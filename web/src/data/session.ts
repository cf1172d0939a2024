import { queryOptions, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { answer, client, NoSignalError, ProblemError, type Schemas } from '../base/api/client';
import { tellOtherTabs } from './tabs';

export type Who = Schemas['Who'];

/** Who uses this page, and whether the server still takes them for signed in. */
export interface Session {
  who: Who;
  /** The server says that nobody is signed in, or that somebody else is. */
  ended: boolean;
}

const keptKey = 'cavesson.who';
/** A sign-out without signal: the server is told when there is one. */
const signedOutKey = 'cavesson.signed-out';

/** Who was signed in last on this device: lets a ride go on without signal. */
function keptWho(): Who | undefined {
  const text = localStorage.getItem(keptKey);
  return text ? (JSON.parse(text) as Who) : undefined;
}

function keep(who: Who | null) {
  if (who) localStorage.setItem(keptKey, JSON.stringify(who));
  else localStorage.removeItem(keptKey);
}

async function fetchSession(): Promise<Session | null> {
  const kept = keptWho();
  try {
    if (localStorage.getItem(signedOutKey)) {
      await answer(client.DELETE('/api/session'));
      localStorage.removeItem(signedOutKey);
    }
    const who = await answer(client.GET('/api/session'));
    // Another tab signed somebody else in; a page changes hands on its own terms.
    if (kept && kept.person_id !== who.person_id) return { who: kept, ended: true };
    keep(who);
    return { who, ended: false };
  } catch (error) {
    if (error instanceof ProblemError && error.status === 401) {
      return kept ? { who: kept, ended: true } : null;
    }
    if (error instanceof NoSignalError && kept) return { who: kept, ended: false };
    if (error instanceof NoSignalError && localStorage.getItem(signedOutKey)) return null;
    throw error;
  }
}

const sessionKey = ['session'] as const;

export const sessionQuery = queryOptions<Session | null>({
  queryKey: sessionKey,
  queryFn: fetchSession,
  staleTime: 5 * 60_000,
});

function put(queries: QueryClient, session: Session | null) {
  queries.setQueryData<Session | null>(sessionKey, () => session);
}

/** The server no longer takes this page's person for signed in. */
export function sessionEnded(queries: QueryClient): void {
  const session = queries.getQueryData(sessionQuery.queryKey);
  if (session && !session.ended) {
    put(queries, { ...session, ended: true });
  }
}

/** Nothing that another person fetched stays in memory. */
function become(queries: QueryClient, who: Who | null) {
  const before = queries.getQueryData(sessionQuery.queryKey)?.who;
  if (before?.person_id !== who?.person_id) {
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
  }
  put(queries, who && { who, ended: false });
}

/** Gives the page to somebody whom the server just signed in. */
export function useSignedInBy() {
  const queries = useQueryClient();
  return (who: Who) => {
    keep(who);
    localStorage.removeItem(signedOutKey);
    become(queries, who);
    tellOtherTabs({ personId: who.person_id });
    void queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
  };
}

export function useSignIn() {
  const signedIn = useSignedInBy();
  return useMutation({
    mutationFn: (body: Schemas['NewSession']) => answer(client.POST('/api/session', { body })),
    onSuccess: signedIn,
  });
}

/** Signs out here at once; without signal the server is told when there is one. */
export function useSignOut() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (who: Who) => {
      try {
        await answer(client.DELETE('/api/session'));
      } catch (error) {
        if (!(error instanceof NoSignalError)) throw error;
        localStorage.setItem(signedOutKey, 'yes');
      }
      const { forgetQueries } = await import('./keptQueries');
      await forgetQueries(who);
    },
    onSuccess() {
      keep(null);
      become(queries, null);
      tellOtherTabs({ personId: null });
    },
  });
}

/** Another tab signed somebody in or out. */
export function toldByAnotherTab(queries: QueryClient, personId: string | null): void {
  const session = queries.getQueryData(sessionQuery.queryKey);
  if (!session || session.who.person_id === personId) {
    void queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
    return;
  }
  sessionEnded(queries);
}

/** Gives the page to whoever is signed in now. */
export function useFollowSignIn() {
  const queries = useQueryClient();
  return () => {
    keep(null);
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    return queries.resetQueries({ queryKey: sessionQuery.queryKey });
  };
}
