/** Single keys can be turned off (WCAG 2.2, 2.1.4), and never act behind a dialog or in a field. */

const key = 'cavesson.keys-off';

export const keysOn = () => localStorage.getItem(key) === null;

export function turnKeys(on: boolean): void {
  if (on) localStorage.removeItem(key);
  else localStorage.setItem(key, 'yes');
}

type Pressed = Pick<KeyboardEvent, 'ctrlKey' | 'metaKey' | 'altKey' | 'target' | 'isTrusted'>;

/** Whether a single key is meant for something else now. A taught remote is not turned off with the keys. */
export function keysAreOff({ ctrlKey, metaKey, altKey, target, isTrusted }: Pressed): boolean {
  if (ctrlKey || metaKey || altKey || (isTrusted && !keysOn())) return true;
  const typing = target instanceof HTMLElement && target.closest('input, textarea, select');
  return Boolean(typing) || document.querySelector('[role=dialog], [role=alertdialog]') !== null;
}
