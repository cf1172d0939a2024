import { createContext, useContext } from 'react';
import type { KeptDatabase } from './db';
import type { Keeper } from './Keeper';
import type { SenderState } from './Sender';
import type { Storage } from './storage';

export interface Queue {
  db: KeptDatabase;
  /** Writes asks, and holds those that cannot be written. */
  keeper: Keeper;
  storage: Storage;
  /** Opens the storage again. */
  openStorage: () => void;
  state: SenderState;
  /** Why the server took nothing, when it did not. */
  why: string | undefined;
  /** Something was written: send it. */
  kick: () => void;
  /** What was refused may be taken now. */
  tryRefusedAgain: () => Promise<void>;
  /** Sends all that can be sent now; how many rows still wait. */
  sendAll: () => Promise<number>;
}

export const QueueContext = createContext<Queue | null>(null);

export function useQueue(): Queue {
  const queue = useContext(QueueContext);
  if (!queue) throw new Error('no queue outside the signed-in frame');
  return queue;
}
