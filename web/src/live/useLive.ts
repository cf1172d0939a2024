import { useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useEffect } from 'react';

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

/** Fetches anew what is on the screen when reps arrive from another device. */
export function useLive() {
  const queries = useQueryClient();
  useEffect(() => {
    const events = new EventSource('/api/live');
    const fetchAnew = (horseId?: string) =>
      void queries.invalidateQueries({
        predicate: ({ queryKey }) =>
          horseId ? touches(queryKey, horseId) : queryKey[0] !== 'session',
      });
    let opened = false;
    events.addEventListener('horse', (event: MessageEvent<string>) => fetchAnew(event.data));
    events.addEventListener('everything', () => fetchAnew());
    // After a gap nobody knows what was missed.
    events.addEventListener('open', () => {
      if (opened) fetchAnew();
      opened = true;
    });
    return () => events.close();
  }, [queries]);
}
