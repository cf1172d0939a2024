import { useEffect, useSyncExternalStore } from 'react';

/** The whole recorder turned round, for a tablet that lies on the rail with a helper across from it. */

const key = 'cavesson.upside-down';
const listeners = new Set<() => void>();

export const isUpsideDown = () => localStorage.getItem(key) !== null;

export function turnRound(turned: boolean): void {
  if (turned) localStorage.setItem(key, 'yes');
  else localStorage.removeItem(key);
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether the recorder is turned round, and goes on being drawn so. */
export const useIsUpsideDown = () => useSyncExternalStore(subscribe, isUpsideDown);

/** Turns the page while the recorder is open, its dialogs with it. */
export function useUpsideDown(): void {
  const turned = useIsUpsideDown();
  useEffect(() => {
    const { style } = document.body;
    if (!turned) return;
    // What is fixed then hangs on the body: it has to be as large as the screen.
    style.rotate = '180deg';
    style.height = '100dvh';
    style.overflow = 'hidden';
    return () => {
      style.rotate = '';
      style.height = '';
      style.overflow = '';
    };
  }, [turned]);
}
