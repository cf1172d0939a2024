import { useSyncExternalStore } from 'react';

/** Whether times are shown as 13:30 and not as 1:30 PM: a setting of this device. */

const key = 'cavesson.clock';
const followers = new Set<() => void>();

export const hours24 = () => globalThis.localStorage?.getItem(key) === '24';

export function chooseHours24(on: boolean) {
  if (on) localStorage.setItem(key, '24');
  else localStorage.removeItem(key);
  for (const follow of followers) follow();
}

function follow(changed: () => void) {
  followers.add(changed);
  return () => {
    followers.delete(changed);
  };
}

export const useHours24 = () => useSyncExternalStore(follow, hours24);
