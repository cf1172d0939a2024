import { useQuery } from '@tanstack/react-query';
import { hasCore } from '../../base/core/core';
import { brakeHere, ownRides, packQuery } from '../../offline/pack';
import type { KeptRide } from '../../outbox/db';
import type { Level } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';

/**
 * Why a level is too fast for the brake as it stands, this ride's asks among them; empty when
 * it is not. It is said, and never in the way.
 */
export function useBrake(horseId: string, level: Level, ride: KeptRide | undefined): string {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const pack = useQuery(packQuery(horseId)).data;
  const limit = useQuery({
    // Anew with each level: what was asked of the brake in between counts.
    queryKey: ['brakeHere', horseId, level, ride?.rideId, pack?.version],
    queryFn: async () =>
      pack ? brakeHere(pack, await ownRides(db, horseId), dayIn(time_zone)) : null,
    enabled: hasCore && pack !== undefined,
    gcTime: 0,
    networkMode: 'always',
  }).data;
  const isTooFast = limit?.too_fast.some(
    ({ skill, rung }) => skill === level.skill && rung === level.rung,
  );
  return isTooFast ? limit!.text : '';
}
