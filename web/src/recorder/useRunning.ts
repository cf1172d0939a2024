import { useCallback, useState } from 'react';
import { useWho } from '../session/who';

/**
 * What is running in a face: a clock, nose-ups of a circle. Kept on the device, so that
 * a reload or a call in the middle of it loses nothing.
 */
export function useRunning<T>(of: string, atRest: () => T) {
  const { barn_id, person_id } = useWho();
  const key = `cavesson.running.${barn_id}.${person_id}.${of}`;
  const [running, set] = useState<T>(() => {
    const kept = localStorage.getItem(key);
    return kept ? (JSON.parse(kept) as T) : atRest();
  });
  const setRunning = useCallback(
    (next: T) => {
      localStorage.setItem(key, JSON.stringify(next));
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
