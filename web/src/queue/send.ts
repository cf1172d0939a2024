import { answer, client, ProblemError, type Schemas } from '../api/client';
import type { KeptDatabase, KeptRep, KeptRide } from './db';

/** One attempt at sending what waits; what the server refuses is set aside with its reason. */

/** Well below what the server takes at once. */
const mostReps = 500;
const mostRides = 100;

export type Sent = 'nothing' | 'sent' | 'refused';

/** @throws NoSignalError, or a ProblemError that no field explains; both leave everything waiting. */
export async function sendWaiting(db: KeptDatabase): Promise<Sent> {
  const { rides, reps } = await waiting(db);
  if (rides.length === 0 && reps.length === 0) return 'nothing';
  const body = { rides: rides.map(asSentRide), reps: reps.map(asSentRep) };
  try {
    const stored = await answer(client.POST('/api/batches', { body }));
    await markSent(db, rides, reps, stored.soft);
    return 'sent';
  } catch (error) {
    if (error instanceof ProblemError && (await setAside(db, rides, reps, error))) return 'refused';
    throw error;
  }
}

/** As much as one batch takes: asks with the rides they belong to, then rides that were finished or spoken of. */
async function waiting(db: KeptDatabase): Promise<{ rides: KeptRide[]; reps: KeptRep[] }> {
  const reps = await db.reps.where('state').equals('waiting').limit(mostReps).toArray();
  const asked = new Set(reps.map((rep) => rep.rideId));
  const everAsked = new Set(await db.reps.orderBy('rideId').uniqueKeys());
  const rides = (await db.rides.where('state').equals('waiting').toArray())
    .filter((ride) => everAsked.has(ride.rideId) || ride.marks || ride.faults)
    .sort((a, b) => Number(asked.has(b.rideId)) - Number(asked.has(a.rideId)));
  const later = new Set(rides.slice(mostRides).map((ride) => ride.rideId));
  return { rides: rides.slice(0, mostRides), reps: reps.filter((rep) => !later.has(rep.rideId)) };
}

function asSentRide(ride: KeptRide): Schemas['NewRide'] {
  return {
    ride_id: ride.rideId,
    horse_id: ride.horseId,
    started_at: ride.startedAt,
    finished_at: ride.finishedAt,
    ...(ride.marks && { marks: ride.marks }),
    ...(ride.faults && { faults: ride.faults }),
  };
}

function asSentRep(rep: KeptRep): Schemas['NewRep'] {
  return {
    rep_id: rep.repId,
    ride_id: rep.rideId,
    skill: rep.skill,
    rung: rep.rung,
    side: rep.side,
    asked_at: rep.askedAt,
    measure: rep.measure,
    undone: rep.undone,
  };
}

/** A row that changed while it was under way goes out again. */
async function markSent(db: KeptDatabase, rides: KeptRide[], reps: KeptRep[], soft: boolean[]) {
  await db.transaction('rw', db.rides, db.reps, async () => {
    for (const ride of rides) {
      await db.rides
        .where('rideId')
        .equals(ride.rideId)
        .modify((row) => {
          if (row.version === ride.version) row.state = 'sent';
        });
    }
    for (const [index, rep] of reps.entries()) {
      await db.reps
        .where('repId')
        .equals(rep.repId)
        .modify((row) => {
          row.soft = soft[index];
          if (row.version === rep.version) row.state = 'sent';
        });
    }
  });
}

/** Sets aside what a problem names by pointer; false when it names nothing of this batch. */
async function setAside(
  db: KeptDatabase,
  rides: KeptRide[],
  reps: KeptRep[],
  { problem }: ProblemError,
): Promise<boolean> {
  let named = 0;
  await db.transaction('rw', db.rides, db.reps, async () => {
    for (const { field, says } of problem.errors ?? []) {
      const [, list, index] = field.split('/');
      const refused = { state: 'refused' as const, refusedBecause: says };
      const ride = list === 'rides' ? rides[Number(index)] : undefined;
      const rep = list === 'reps' ? reps[Number(index)] : undefined;
      if (ride) {
        named += await db.rides.update(ride.rideId, refused);
        // Its reps cannot be stored without it.
        await db.reps.where('rideId').equals(ride.rideId).modify(refused);
      }
      if (rep) named += await db.reps.update(rep.repId, refused);
    }
  });
  return named > 0;
}
