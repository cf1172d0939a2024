import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useQueue } from '../outbox/queue';
import { useWho } from '../data/who';
import { dayIn } from '../base/words/days';
import { hasCore } from '../base/core/core';
import { withoutRide } from './judgeInput';
import { judgeHere, ownRides, packQuery, type JudgedHere } from './pack';

export interface JudgedRide {
  /** The levels as they stand with the ride. */
  now: JudgedHere[];
  /** The same without it. */
  before: JudgedHere[];
}

/** The levels of a horse with a ride and without it, judged in the page; none while it was never taken along. */
export function useJudgedHere(horseId: string | undefined, rideId: string): JudgedRide {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const date = dayIn(time_zone);
  const own = useLiveQuery(() => (horseId ? ownRides(db, horseId) : undefined), [db, horseId]);
  // Fetched when the ride was opened; here it may well be without signal.
  const pack = useQuery({ ...packQuery(horseId ?? ''), enabled: false });
  const stamp = own && [...own.rides, ...own.reps].map(({ state, version }) => [state, version]);
  const judged = useQuery({
    queryKey: ['judgedHere', horseId ?? '', rideId, date, pack.dataUpdatedAt, stamp],
    queryFn: async () => {
      if (!pack.data || !own) return { now: [], before: [] };
      const now = await judgeHere(pack.data, own, date);
      return { now, before: await judgeHere(...withoutRide(pack.data, own, rideId), date) };
    },
    enabled: hasCore && pack.data !== undefined && own !== undefined,
    gcTime: 0,
  });
  return judged.data ?? { now: [], before: [] };
}
