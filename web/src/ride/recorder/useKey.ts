import { useEffect, useEffectEvent } from 'react';
import { keysAreOff } from './keysOn';

/** A single key that does something, unless it is meant for something else; an empty one does nothing. */
export function useKey(key: string, act: () => void): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.key.toLowerCase() === key && !event.repeat && !keysAreOff(event)) act();
  });
  useEffect(() => {
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}
