import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { touches } from '../data/keys';
import { sessionEnded } from '../data/session';
import { useWho } from '../data/who';
import { keptDatabase } from './db';
import { Keeper } from './Keeper';
import { QueueContext } from './queue';
import { Sender, type SenderState } from './Sender';
import { useStorage } from './storage';

const triedKey = 'cavesson.tried-by';

/** Opens this person's own queue and keeps sending from it. */
export function QueueProvider({ children }: { children: ReactNode }) {
  const { barn_id, person_id } = useWho();
  const queries = useQueryClient();
  const [{ state, why }, setSent] = useState<{ state: SenderState; why?: string }>({
    state: 'at rest',
  });
  const db = useMemo(() => keptDatabase(barn_id, person_id), [barn_id, person_id]);
  const { storage, tryAgain } = useStorage(db);
  const sender = useMemo(
    () =>
      new Sender(
        db,
        person_id,
        (next, why) => {
          setSent({ state: next, why });
          if (next === 'signed out' || next === 'another person') sessionEnded(queries);
        },
        (horseIds) =>
          void queries.invalidateQueries({
            predicate: ({ queryKey }) => horseIds.some((horseId) => touches(queryKey, horseId)),
          }),
      ),
    [db, person_id, queries],
  );
  const keeper = useMemo(() => new Keeper(db, () => sender.kick()), [db, sender]);
  useEffect(() => {
    if (storage !== 'ready') return;
    const stop = sender.start();
    // A newer application may send what an older one could not.
    const tried = `${triedKey}.${db.name}`;
    if (localStorage.getItem(tried) !== __BUILD__) {
      localStorage.setItem(tried, __BUILD__);
      void sender.tryRefusedAgain();
    }
    return stop;
  }, [db, sender, storage]);
  const queue = useMemo(
    () => ({
      db,
      keeper,
      storage,
      openStorage: tryAgain,
      state,
      why,
      kick: () => sender.kick(),
      tryRefusedAgain: () => sender.tryRefusedAgain(),
      sendAll: () => sender.sendAll(),
    }),
    [db, keeper, storage, tryAgain, state, why, sender],
  );
  return <QueueContext.Provider value={queue}>{children}</QueueContext.Provider>;
}
