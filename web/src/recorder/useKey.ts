import { useHotkeys } from 'react-hotkeys-hook';
import { keysAreOff } from './keysOn';

/** A single key that does something, unless it is meant for something else. */
export function useKey(key: string, act: () => void): void {
  useHotkeys(key, act, {
    useKey: true,
    ignoreModifiers: true,
    // `+` is a key here, and joins none.
    splitKey: '&',
    ignoreEventWhen: (event) => event.repeat || keysAreOff(event),
  });
}
