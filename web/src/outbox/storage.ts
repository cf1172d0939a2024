import { useEffect, useState } from 'react';
import type { KeptDatabase } from './db';

/** Whether this device can keep what is recorded. */
export type Storage = 'opening' | 'ready' | 'missing' | 'blocked' | 'full' | 'broken';

export const storageWords: Record<Exclude<Storage, 'opening' | 'ready'>, string> = {
  missing:
    "This browser can't store anything, as in a private window. Nothing you record here would be kept. Open Cavesson in a normal window.",
  blocked:
    'Another tab has an older Cavesson open, and holds the storage. Close the other tabs, then try again.',
  full: 'This device is full. Free some space, then try again. What was recorded before is still here.',
  broken:
    "This browser doesn't open its storage. Close it and start it again. If that doesn't help, record on another device.",
};

/** What an error of the storage means for the rider. */
export function storageOf(error: unknown): Exclude<Storage, 'opening' | 'ready'> {
  const names = errorNames(error);
  if (names.includes('QuotaExceededError')) return 'full';
  if (names.includes('MissingAPIError') || names.includes('SecurityError')) return 'missing';
  if (names.includes('VersionError') || names.includes('Blocked')) return 'blocked';
  return 'broken';
}

function errorNames(error: unknown): string[] {
  if (typeof error !== 'object' || error === null) return [];
  const { name, inner } = error as { name?: string; inner?: unknown };
  return [...(name ? [name] : []), ...errorNames(inner)];
}

/** Opens the database, and asks the browser never to throw it away by itself. */
export function useStorage(db: KeptDatabase): { storage: Storage; tryAgain: () => void } {
  const [storage, setStorage] = useState<Storage>(db.isOpen() ? 'ready' : 'opening');
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let left = false;
    const set = (next: Storage) => {
      if (!left) setStorage(next);
    };
    const blocked = () => set('blocked');
    db.on('blocked', blocked);
    db.open()
      // Written and read back: a storage that opens may still refuse to write.
      .then(() => db.holds.where('repId').equals('').delete())
      .then(
        () => set('ready'),
        (error: unknown) => set(storageOf(error)),
      );
    void navigator.storage?.persist?.().catch(() => undefined);
    return () => {
      left = true;
      db.on('blocked').unsubscribe(blocked);
    };
  }, [db, tries]);
  return {
    storage,
    tryAgain: () => {
      setStorage('opening');
      setTries((count) => count + 1);
    },
  };
}
