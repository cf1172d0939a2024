import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import { useWho } from '../../data/who';
import { Waiting } from '../Waiting';

/** Shows its children over what was fetched last, so that a start without signal is not empty. */
export function KeptQueries({ children }: { children: ReactNode }) {
  const who = useWho();
  const queries = useQueryClient();
  const [restored, setRestored] = useState(false);
  useEffect(() => {
    let stop: () => void = () => undefined;
    let left = false;
    const restore = async () => {
      const kept = await import('../../data/keptQueries');
      await kept.restoreQueries(queries, who);
      return () => kept.keepQueries(queries, who);
    };
    restore()
      .catch((error: unknown) => console.warn(error))
      .then((keep) => {
        if (left) return;
        if (keep) stop = keep();
        setRestored(true);
      })
      .catch((error: unknown) => console.warn(error));
    return () => {
      left = true;
      stop();
    };
    // The person stays the same below one frame.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [queries, who.person_id, who.barn_id]);
  if (!restored) return <Waiting label="Opening" />;
  return children;
}
