import type { Schemas } from '../base/api/client';
import type { KeptRep, KeptRide } from '../outbox/db';
import type { Input } from '../base/core/core';

/** What the core is given to judge a horse: what was taken along, and what this device asked since. */

export type Pack = Schemas['HorsePack'];

export interface OwnRides {
  rides: KeptRide[];
  reps: KeptRep[];
}

export const counts = ({ state }: { state: string }) => state !== 'dropped' && state !== 'refused';

/** The same horse before one ride, as far as this device knows of it. */
export function withoutRide(pack: Pack, own: OwnRides, rideId: string): [Pack, OwnRides] {
  const { context } = pack;
  return [
    {
      ...pack,
      reps: pack.reps.filter((rep) => rep.ride_id !== rideId),
      context: {
        ...context,
        rides: (context.rides ?? []).filter((ride) => ride.ride_id !== rideId),
        faults: (context.faults ?? []).filter((seen) => seen.ride_id !== rideId),
      },
    },
    {
      rides: own.rides.filter((ride) => ride.rideId !== rideId),
      reps: own.reps.filter((rep) => rep.rideId !== rideId),
    },
  ];
}

/** What the calculator is given: the pack, with this device's own in the place of what it knows. */
export function judgeInput(pack: Pack, { rides, reps }: OwnRides, date: string): Input<'judge'> {
  const days = new Map(rides.map((ride) => [ride.rideId, ride.day]));
  const own = reps.filter((rep) => counts(rep) && !rep.undone && days.has(rep.rideId));
  const known = new Set(reps.map((rep) => rep.repId));
  const ofRides = new Set(rides.map((ride) => ride.rideId));
  const spoken = new Set(rides.filter((ride) => ride.faults).map((ride) => ride.rideId));
  return {
    program: pack.program,
    date,
    reps: [
      ...pack.reps.filter((rep) => !known.has(rep.rep_id)),
      ...own.map((rep) => ({
        rep_id: rep.repId,
        ride_id: rep.rideId,
        skill: rep.skill,
        rung: rep.rung,
        side: rep.side,
        day: days.get(rep.rideId) ?? date,
        asked_at: rep.askedAt,
        measure: rep.measure,
      })),
    ],
    context: {
      ...pack.context,
      rides: [
        ...(pack.context.rides ?? []).filter((ride) => !ofRides.has(ride.ride_id)),
        ...rides.map((ride) => ({
          ride_id: ride.rideId,
          day: ride.day,
          rider_id: knownTo(pack, ride.rideId)?.rider_id ?? pack.rider_id,
          rigs: rigsOf(ride) ?? knownTo(pack, ride.rideId)?.rigs ?? [],
          marks: ride.marks ?? knownTo(pack, ride.rideId)?.marks ?? [],
        })),
      ],
      faults: [
        ...(pack.context.faults ?? []).filter((seen) => !spoken.has(seen.ride_id)),
        ...rides.flatMap((ride) =>
          (ride.faults ?? []).map(({ skill, rung, fault }) => ({
            ride_id: ride.rideId,
            level: { skill, rung },
            fault,
          })),
        ),
      ],
    },
  };
}

/** The rigs of a ride of this device, from when on; none where nobody said here. */
const rigsOf = ({ rigs, startedAt }: KeptRide) =>
  rigs?.map(({ after_ms, kind, gear_id, name }) => ({
    from: new Date(Date.parse(startedAt) + after_ms).toISOString(),
    kind,
    gear_id,
    name,
  }));

/** What the barn knows of a ride: who rode, what others said of it. */
const knownTo = ({ context }: Pack, rideId: string) =>
  (context.rides ?? []).find((ride) => ride.ride_id === rideId);
