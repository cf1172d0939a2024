import type { Schemas } from '../../base/api/client';
import type { KnownRide } from '../../outbox/keep';

/** A ride as the server tells of it, for this device to go on with or to speak of. */
export function knownRide(ride: Schemas['Ride']): KnownRide {
  const start = Date.parse(ride.started_at);
  const finish = ride.finished_at == null ? null : Date.parse(ride.finished_at) - start;
  const reps = ride.blocks.flatMap((block) => block.strip.reps);
  const last = Math.max(0, ...reps.map((rep) => Date.parse(rep.asked_at) - start));
  return {
    rideId: ride.ride_id,
    horseId: ride.horse.horse_id,
    horseName: ride.horse.name,
    day: ride.day,
    startedAt: ride.device_started_at,
    lastMs: finish ?? last,
    finishedAfterMs: finish,
    openedAgain: ride.opened_again,
    blocks: ride.blocks.map(({ block_id, level }, position) => ({
      blockId: block_id,
      rideId: ride.ride_id,
      position,
      skill: level.skill,
      rung: level.rung,
    })),
    asked: reps.length,
  };
}
