import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { touches } from './touches';

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
