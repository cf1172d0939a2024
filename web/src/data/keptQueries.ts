import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import type { QueryClient } from '@tanstack/react-query';
import {
  persistQueryClientRestore,
  persistQueryClientSubscribe,
} from '@tanstack/react-query-persist-client';
import { Dexie, type EntityTable } from 'dexie';
import type { Key } from './keys';

/**
 * What was fetched, kept on the device for a start without signal. Each person of a
 * barn has their own; it is dropped when they sign out.
 */

interface KeptFetch {
  owner: string;
  /** The queries as JSON; none in a row of an older version. */
  queries?: string;
}

type FetchDatabase = Dexie & { fetched: EntityTable<KeptFetch, 'owner'> };

const db = new Dexie('cavesson-fetched') as FetchDatabase;
db.version(1).stores({ fetched: 'owner' });

/** Older than that it tells nothing of today. */
const mostMs = 7 * 86_400_000;
const writesAtMostEveryMs = 1_000;

/** What is found out anew: who is signed in, and what this device itself judged. */
const ownMatters = new Set<Key[0]>(['session', 'judgedHere', 'quitHere', 'card']);

interface Owner {
  barn_id: string;
  person_id: string;
}

const ownerOf = ({ barn_id, person_id }: Owner) => `${barn_id}/${person_id}`;

/** Who signed out: a write that was under way then must not bring it back. */
const signedOut = new Set<string>();

const storage = {
  getItem: async (owner: string) => (await db.fetched.get(owner))?.queries ?? null,
  async setItem(owner: string, queries: string) {
    if (signedOut.has(owner)) return;
    // A full device keeps reps before it keeps pages.
    await db.fetched.put({ owner, queries }).catch((error: unknown) => console.warn(error));
  },
  removeItem: (owner: string) => db.fetched.delete(owner),
};

const keptFor = (queryClient: QueryClient, who: Owner) => ({
  queryClient,
  persister: createAsyncStoragePersister({
    storage,
    key: ownerOf(who),
    throttleTime: writesAtMostEveryMs,
  }),
  buster: __BUILD__,
  maxAge: mostMs,
});

/** Brings back what was fetched last; what is fetched meanwhile stays. */
export async function restoreQueries(queries: QueryClient, who: Owner): Promise<void> {
  signedOut.delete(ownerOf(who));
  await persistQueryClientRestore(keptFor(queries, who));
  // However young it is: what happened while no page was there was told to nobody.
  await queries.invalidateQueries({
    predicate: ({ queryKey }) => queryKey[0] !== 'session',
    refetchType: 'none',
  });
}

/** Keeps what is fetched, a moment after it came. */
export function keepQueries(queries: QueryClient, who: Owner): () => void {
  return persistQueryClientSubscribe({
    ...keptFor(queries, who),
    dehydrateOptions: {
      shouldDehydrateQuery: ({ queryKey, state: { status, data } }) =>
        !ownMatters.has(queryKey[0]) && status === 'success' && data !== undefined,
      shouldDehydrateMutation: () => false,
    },
  });
}

export async function forgetQueries(who: Owner): Promise<void> {
  signedOut.add(ownerOf(who));
  await db.fetched.delete(ownerOf(who)).catch((error: unknown) => console.warn(error));
}
