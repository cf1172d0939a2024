import { useQuery } from '@tanstack/react-query';
import type { KeptRide } from '../../outbox/db';
import { rideQuery } from '../../data/ride';

/** What other devices did with this ride: asks of theirs at any level, and whether one of them finished it. */
export function useElsewhere(ride: KeptRide | undefined) {
  const known = useQuery({
    ...rideQuery(ride?.rideId ?? ''),
    // The barn does not have it before this device has sent it.
    enabled: ride?.state === 'sent',
  });
  const { data } = known;
  if (!ride || data?.ride_id !== ride.rideId) return { asks: [], finished: false };
  return {
    asks: data.timeline.filter(({ undone }) => !undone),
    finished:
      ride.finishedAfterMs === null &&
      data.finished_at != null &&
      data.opened_again >= ride.openedAgain,
  };
}
