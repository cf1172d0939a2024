import { useEffect, useRef } from 'react';
import { keysAreOff } from './keysOn';

/** A single key that does something, unless it is meant for something else. */
export function useKey(key: string, act: () => void): void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== key || event.repeat || keysAreOff(event)) return;
      latest.current();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [key]);
}
