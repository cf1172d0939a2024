import { v7 as uuidv7 } from 'uuid';

/**
 * Which pages of this browser are open. A hold belongs to the page it is held on;
 * when that page is gone, however it went, what the horse did is still to be said.
 */

const lockOf = (page: string) => `cavesson-page-${page}`;

/** This page, for as long as it is open. */
export const thisPage = uuidv7();

const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;

// Held until the page is gone; the browser lets go of it, also when it is killed.
void locks?.request(lockOf(thisPage), () => new Promise(() => undefined));

/** Where there are no locks, a hold that old is nobody's any more. */
const longestHoldMs = 120_000;

/** Whether the page of a hold is gone. */
export async function isGone(page: string, askedAt: string): Promise<boolean> {
  if (page === thisPage) return false;
  if (!locks) return Date.now() - Date.parse(askedAt) > longestHoldMs;
  const { held } = await locks.query();
  return !held?.some((lock) => lock.name === lockOf(page));
}
