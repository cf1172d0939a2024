/**
 * A press of the remote becomes the recorder's own key. An event made here is not trusted,
 * and carries the time of the press it came from.
 */
export function type(kind: 'keydown' | 'keyup', key: string, at: number): void {
  const event = new KeyboardEvent(kind, { key, bubbles: true, cancelable: true });
  Object.defineProperty(event, 'timeStamp', { value: at });
  document.body.dispatchEvent(event);
}

/** The name under which a hold is told that its key-up was lost. */
export const lostKeyUp = 'cavesson:lost-key-up';

export function tellLost(at: number): void {
  window.dispatchEvent(new CustomEvent<number>(lostKeyUp, { detail: at }));
}

/** The first of these keys that something on screen listens to; the last where none says so. */
export const onScreen = (keys: string[]): string =>
  keys.find((key) => document.querySelector(`[aria-keyshortcuts="${CSS.escape(key)}"]`)) ??
  keys.at(-1) ??
  '';
