import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { touches } from '../data/keys';

const retryMs = 3_000;

/** Fetches anew what is on the screen when reps arrive from another device. */
export function useLive() {
  const queries = useQueryClient();
  useEffect(() => {
    let events: EventSource | undefined;
    let again: ReturnType<typeof setTimeout> | undefined;
    let opened = false;
    const fetchAnew = (horseId?: string) =>
      void queries.invalidateQueries({
        predicate: ({ queryKey }) =>
          horseId ? touches(queryKey, horseId) : queryKey[0] !== 'session',
      });
    const listen = () => {
      const source = new EventSource('/api/live');
      events = source;
      source.addEventListener('horse', (event: MessageEvent<string>) => fetchAnew(event.data));
      source.addEventListener('everything', () => fetchAnew());
      // After a gap nobody knows what was missed.
      source.addEventListener('open', () => {
        if (opened) fetchAnew();
        opened = true;
      });
      // The browser tries again by itself, but not after an answer that was an error.
      source.addEventListener('error', () => {
        if (source.readyState !== EventSource.CLOSED) return;
        clearTimeout(again);
        again = setTimeout(listen, retryMs);
      });
    };
    listen();
    return () => {
      clearTimeout(again);
      events?.close();
    };
  }, [queries]);
}
