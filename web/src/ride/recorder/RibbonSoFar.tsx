import { useLiveQuery } from 'dexie-react-hooks';
import { ShareRibbon } from '../../draw/ShareRibbon';
import { useQueue } from '../../outbox/queue';
import { useNow } from '../../shell/useNow';

/** The ride so far. */
export function RibbonSoFar({ rideId }: { rideId: string }) {
  const { db } = useQueue();
  const now = useNow(true);
  const ride = useLiveQuery(() => db.rides.get(rideId), [db, rideId]);
  if (!ride?.shares) return null;
  const since = Math.max(ride.lastMs, ride.lastMs + now - ride.lastWall);
  return (
    <ShareRibbon
      segments={ride.shares.map(({ after_ms, bosal_pct }) => ({
        start_min: after_ms / 60_000,
        bosal_pct,
      }))}
      events={(ride.horseAsked ?? [])
        .filter(({ undone }) => !undone)
        .map(({ after_ms, ask }) => ({ at_min: after_ms / 60_000, ask }))}
      endMin={since / 60_000}
      height={34}
    />
  );
}
