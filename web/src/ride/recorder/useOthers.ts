import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Schemas } from '../../base/api/client';
import { stripsQuery } from '../../data/level';
import type { KeptRep, KeptRide } from '../../outbox/db';
import type { Level } from '../../outbox/keep';

/** Asks of the same ride that other devices recorded, as they come in. */
export function useOthers(
  horseId: string,
  level: Level,
  ride: KeptRide | undefined,
  own: KeptRep[],
): KeptRep[] {
  const strips = useQuery(stripsQuery({ horseId, ...level }));
  return useMemo(() => {
    const strip = strips.data?.strips.find(({ ride_id }) => ride_id === ride?.rideId);
    if (!strip || !ride) return [];
    const known = new Set(own.map(({ repId }) => repId));
    return strip.reps
      .filter(({ rep_id }) => !known.has(rep_id))
      .map((rep) => asKept(rep, ride, level));
  }, [strips.data, ride, own, level]);
}

/** As this device draws and counts it; it is not this device's to take back. */
function asKept(rep: Schemas['StripRep'], ride: KeptRide, level: Level): KeptRep {
  return {
    repId: rep.rep_id,
    rideId: ride.rideId,
    blockId: '',
    ...level,
    side: rep.side,
    sequence: 0,
    askedAfterMs: Math.max(0, Date.parse(rep.asked_at) - Date.parse(ride.startedAt)),
    askedAt: rep.asked_at,
    measure: rep.measure,
    undone: false,
    changes: 0,
    soft: rep.soft,
    state: 'sent',
    version: 0,
  };
}
