import { createContext, useContext } from 'react';
import type { KeptDatabase } from './db';
import type { SenderState } from './Sender';

export interface Queue {
  db: KeptDatabase;
  state: SenderState;
  /** Why the server took nothing, when it did not. */
  says: string | undefined;
  /** Something was written: send it. */
  kick: () => void;
}

export const QueueContext = createContext<Queue | null>(null);

export function useQueue(): Queue {
  const queue = useContext(QueueContext);
  if (!queue) throw new Error('no queue outside the signed-in frame');
  return queue;
}
