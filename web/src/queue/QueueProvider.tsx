import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useWho } from '../session/who';
import { keptDatabase } from './db';
import { QueueContext } from './queue';
import { Sender, type SenderState } from './Sender';

/** Opens this person's own queue and keeps sending from it. */
export function QueueProvider({ children }: { children: ReactNode }) {
  const { barn_id, person_id } = useWho();
  const queries = useQueryClient();
  const [{ state, says }, setSent] = useState<{ state: SenderState; says?: string }>({
    state: 'at rest',
  });
  const sender = useRef<Sender | null>(null);
  const db = useMemo(() => keptDatabase(barn_id, person_id), [barn_id, person_id]);
  useEffect(() => {
    const made = new Sender(
      db,
      (next, why) => setSent({ state: next, says: why }),
      () =>
        void queries.invalidateQueries({
          predicate: ({ queryKey }) => queryKey[0] !== 'session' && queryKey[0] !== 'ladder',
        }),
    );
    sender.current = made;
    return made.start();
  }, [db, queries]);
  const queue = useMemo(
    () => ({ db, state, says, kick: () => sender.current?.kick() }),
    [db, state, says],
  );
  return <QueueContext.Provider value={queue}>{children}</QueueContext.Provider>;
}
