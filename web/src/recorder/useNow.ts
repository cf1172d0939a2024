import { useEffect, useState } from 'react';

/** The time, as often as a running clock is drawn; stands still while nothing runs. */
export function useNow(runs: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!runs) return;
    const every = setInterval(() => setNow(Date.now()), 100);
    return () => clearInterval(every);
  }, [runs]);
  return now;
}
