import { useLiveQuery } from 'dexie-react-hooks';
import { useRef, useEffect } from 'react';
import { useQueue } from '../queue/queue';
import { goingWork } from '../queue/work';
import { useWho } from '../session/who';
import { dayIn } from '../words/days';
import type { Measure } from '../words/measures';
import { flagNow } from '../flag/flagNow';

/** A turn names the work it was made in, and where the flag was where it is followed. */
export function useInWork(horseId: string): (measure: Measure) => Measure {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const day = dayIn(time_zone);
  const going = useLiveQuery(() => goingWork(db, { horseId, day }), [db, horseId, day]);
  const work = useRef(going);
  useEffect(() => {
    work.current = going;
  }, [going]);
  return (measure) => {
    const now = work.current;
    if (measure.kind !== 'turn' || !now) return measure;
    const flag = now.cow_id ? null : flagNow();
    return { ...measure, work_id: now.work_id, ...(flag && { flag }) };
  };
}
