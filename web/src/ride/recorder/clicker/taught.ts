import type { Button } from './presses';

/** The remote as it was taught on this device: its button for the left or all, and one for the right. */
export type Taught = [Button] | [Button, Button];

const key = 'cavesson.clicker';

export function taughtClicker(): Taught | null {
  const kept = localStorage.getItem(key);
  return kept ? (JSON.parse(kept) as Taught) : null;
}

export function teachClicker(taught: Taught | null): void {
  if (taught) localStorage.setItem(key, JSON.stringify(taught));
  else localStorage.removeItem(key);
}

const named: Record<string, string | undefined> = {
  ' ': 'Space',
  PageUp: 'Page up',
  PageDown: 'Page down',
  AudioVolumeUp: 'Volume up',
  AudioVolumeDown: 'Volume down',
  ArrowUp: 'Arrow up',
  ArrowDown: 'Arrow down',
  ArrowLeft: 'Arrow left',
  ArrowRight: 'Arrow right',
  MediaTrackNext: 'Next track',
  MediaTrackPrevious: 'Track before',
  MediaPlayPause: 'Play',
};

/** What a key is called by people. */
export const keyName = (key: string) => named[key] ?? (key.length === 1 ? key.toUpperCase() : key);
