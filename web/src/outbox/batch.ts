import type { Schemas } from '../base/api/client';
import type { KeptBlock, KeptDatabase, KeptRep, KeptRide } from './db';

/** What one batch holds: reps with the rides and blocks they belong to. */
export interface Batch {
  rides: KeptRide[];
  reps: KeptRep[];
  blocks: KeptBlock[];
}

/** Well below what the server takes at once. */
export const mostAtOnce = { reps: 500, rides: 100 };

/** As much as one batch takes of what waits. A rep always goes with its ride: the server may not have it. */
export async function waiting(db: KeptDatabase, most: typeof mostAtOnce): Promise<Batch> {
  return db.transaction('r', db.rides, db.reps, db.blocks, async () => {
    const some = await db.reps.where('state').equals('waiting').limit(most.reps).toArray();
    const ofReps = await db.rides.bulkGet([...new Set(some.map((rep) => rep.rideId))]);
    const own = await db.rides.where('state').equals('waiting').toArray();
    const rides = new Map<string, KeptRide>();
    for (const ride of [...ofReps, ...own]) {
      // A ride that waits for a person holds its reps back.
      const held = ride?.state === 'refused' || ride?.state === 'dropped';
      if (ride && !held && rides.size < most.rides) rides.set(ride.rideId, ride);
    }
    const reps = some.filter((rep) => rides.has(rep.rideId)).sort(inOrder);
    const blocks = await db.blocks
      .where('rideId')
      .anyOf([...rides.keys()])
      .toArray();
    return { rides: [...rides.values()], reps, blocks };
  });
}

const inOrder = (a: KeptRep, b: KeptRep) =>
  a.rideId < b.rideId ? -1 : a.rideId > b.rideId ? 1 : a.askedAfterMs - b.askedAfterMs;

export function asSentRide(ride: KeptRide, blocks: KeptBlock[]): Schemas['NewRide'] {
  return {
    ride_id: ride.rideId,
    horse_id: ride.horseId,
    started_at: ride.startedAt,
    set_forward_s: ride.setForwardS,
    finished_after_ms: ride.finishedAfterMs,
    opened_again: ride.openedAgain,
    blocks: blocks
      .filter((block) => block.rideId === ride.rideId)
      .map(({ blockId, position, skill, rung }) => ({ block_id: blockId, position, skill, rung })),
    ...(ride.marks && { marks: ride.marks }),
    ...(ride.faults && { faults: ride.faults }),
    ...(ride.rigs && { rigs: ride.rigs }),
    ...(ride.shares && { shares: ride.shares }),
    ...(ride.works && { works: ride.works }),
    ...(ride.horseAsked && { horse_asked: ride.horseAsked }),
    ...(ride.present && { present: ride.present }),
    ...(ride.ended && { ended: ride.ended }),
    ...(ride.mood && { mood: ride.mood }),
    ...(ride.exertion && { exertion: ride.exertion }),
    ...(ride.fromTape && { from_tape: ride.fromTape }),
    ...(ride.intake && { intake: ride.intake }),
    ...(ride.note !== undefined && { note: ride.note }),
    ...(ride.quietAfterS !== undefined && { quiet_after_s: ride.quietAfterS }),
  };
}

export function asSentRep(rep: KeptRep): Schemas['NewRep'] {
  return {
    rep_id: rep.repId,
    ride_id: rep.rideId,
    block_id: rep.blockId,
    skill: rep.skill,
    rung: rep.rung,
    side: rep.side,
    sequence: rep.sequence,
    asked_after_ms: rep.askedAfterMs,
    asked_at: rep.askedAt,
    measure: rep.measure,
    ...(rep.faults && { faults: rep.faults }),
    undone: rep.undone,
    changes: rep.changes,
  };
}
