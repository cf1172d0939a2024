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
  const [state, setState] = useState<SenderState>('at rest');
  const sender = useRef<Sender | null>(null);
  const db = useMemo(() => keptDatabase(barn_id, person_id), [barn_id, person_id]);
  useEffect(() => {
    const made = new Sender(db, setState, () => {
      for (const key of ['today', 'level', 'ride']) {
        void queries.invalidateQueries({ queryKey: [key] });
      }
    });
    sender.current = made;
    return made.start();
  }, [db, queries]);
  const queue = useMemo(() => ({ db, state, kick: () => sender.current?.kick() }), [db, state]);
  return <QueueContext.Provider value={queue}>{children}</QueueContext.Provider>;
}
