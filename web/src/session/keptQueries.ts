import { dehydrate, hydrate, type DehydratedState, type QueryClient } from '@tanstack/react-query';
import { Dexie, type EntityTable } from 'dexie';

/**
 * What was fetched, kept on the device for a start without signal. Each person of a
 * barn has their own; it is dropped when they sign out.
 */

interface KeptFetch {
  owner: string;
  build: string;
  at: number;
  state: DehydratedState;
}

type FetchDatabase = Dexie & { fetched: EntityTable<KeptFetch, 'owner'> };

const db = new Dexie('cavesson-fetched') as FetchDatabase;
db.version(1).stores({ fetched: 'owner' });

/** Older than that it says nothing of today. */
const mostMs = 7 * 86_400_000;
const writesAfterMs = 1_000;

/** What is found out anew: who is signed in, and what this device itself judged. */
const ownMatters = new Set(['session', 'judged here']);

interface Owner {
  barn_id: string;
  person_id: string;
}

const ownerOf = ({ barn_id, person_id }: Owner) => `${barn_id}/${person_id}`;

/** Brings back what was fetched last; what is fetched meanwhile stays. */
export async function restoreQueries(queries: QueryClient, who: Owner): Promise<void> {
  const kept = await db.fetched.get(ownerOf(who));
  if (!kept || kept.build !== __BUILD__ || Date.now() - kept.at > mostMs) return;
  hydrate(queries, kept.state);
}

/** Keeps what is fetched, a moment after it came. */
export function keepQueries(queries: QueryClient, who: Owner): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const write = () => {
    const state = dehydrate(queries, {
      shouldDehydrateQuery: ({ queryKey, state: { status, data } }) =>
        !ownMatters.has(String(queryKey[0])) && status === 'success' && data !== undefined,
      shouldDehydrateMutation: () => false,
    });
    db.fetched
      .put({ owner: ownerOf(who), build: __BUILD__, at: Date.now(), state })
      // A full device keeps reps before it keeps pages.
      .catch((error: unknown) => console.warn(error));
  };
  const stop = queries.getQueryCache().subscribe(({ type }) => {
    if (type !== 'updated') return;
    clearTimeout(timer);
    timer = setTimeout(write, writesAfterMs);
  });
  return () => {
    clearTimeout(timer);
    stop();
  };
}

export async function forgetQueries(who: Owner): Promise<void> {
  await db.fetched.delete(ownerOf(who)).catch((error: unknown) => console.warn(error));
}
