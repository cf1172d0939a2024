import type { QueryKey } from '@tanstack/react-query';

/** What does not depend on any horse. */
const apart = new Set(['session', 'ladder', 'programs', 'program']);

/** Whether what a query brought may be other now that more is known of a horse. */
export function touches(key: QueryKey, horseId: string): boolean {
  if (apart.has(String(key[0]))) return false;
  const named = JSON.stringify(key.slice(1)).match(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g);
  // A ride is kept under its own id, which does not say whose it is.
  if (!named || key[0] === 'ride') return true;
  return named.includes(horseId);
}
