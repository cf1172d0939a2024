import { useCallback, useState } from 'react';
import { useWho } from '../../data/who';

interface Kept<T> {
  /** When it was last touched. */
  at: number;
  running: T;
}

/**
 * What is running in a face: a clock, nose-ups of a circle. Kept on the device, so that
 * a reload or a call in the middle of it loses nothing; what was last touched longer ago
 * than `lastsMs` belongs to another ride.
 */
export function useRunning<T>(of: string, lastsMs: number, atRest: () => T) {
  const { barn_id, person_id } = useWho();
  const key = `cavesson.running.${barn_id}.${person_id}.${of}`;
  const [running, set] = useState<T>(() => {
    const kept = localStorage.getItem(key);
    if (!kept) return atRest();
    const { at, running: before } = JSON.parse(kept) as Kept<T>;
    return Date.now() - at < lastsMs ? before : atRest();
  });
  const setRunning = useCallback(
    (next: T) => {
      const kept: Kept<T> = { at: Date.now(), running: next };
      localStorage.setItem(key, JSON.stringify(kept));
      set(next);
    },
    [key],
  );
  const rest = () => {
    localStorage.removeItem(key);
    set(atRest());
  };
  return [running, setRunning, rest] as const;
}
