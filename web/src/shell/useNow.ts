import { useEffect, useState } from 'react';
import { useFaceClock } from './faceClock';

/** The time, as often as a running clock is drawn; stands still while nothing runs. */
export function useNow(runs: boolean): number {
  const { wall } = useFaceClock();
  const [now, setNow] = useState(wall);
  useEffect(() => {
    if (!runs) return;
    const every = setInterval(() => setNow(wall()), 100);
    return () => clearInterval(every);
  }, [runs, wall]);
  return now;
}
