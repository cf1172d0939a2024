import { v7 as uuidv7 } from 'uuid';
import type { KeptDatabase, KeptRep, KeptRide } from './db';
import { toSendAgain, type Level } from './keep';

/** What the server did not take: put right by a person, tried again, or dropped. Never lost. */

/** Lets everything that was refused be tried again. */
export async function tryRefusedAgain(db: KeptDatabase): Promise<void> {
  await db.transaction('rw', db.rides, db.reps, async () => {
    await db.rides.where('state').equals('refused').modify(toSendAgain({}));
    await db.reps.where('state').equals('refused').modify(toSendAgain({}));
  });
}

/** A ride began at another time, or was on another horse. Its reps go with it. */
export async function putRideRight(
  db: KeptDatabase,
  rideId: string,
  change: Partial<Pick<KeptRide, 'startedAt' | 'setForwardS' | 'horseId' | 'horseName'>>,
): Promise<void> {
  await db.transaction('rw', db.rides, db.reps, async () => {
    await db.rides.where({ rideId }).modify(toSendAgain<KeptRide>(change));
    await repsToSend(db, rideId);
  });
}

/** A rep was of another level: it moves to that level's block of its ride. */
export async function putRepRight(db: KeptDatabase, repId: string, level: Level): Promise<void> {
  await db.transaction('rw', db.rides, db.blocks, db.reps, async () => {
    const rep = await db.reps.get(repId);
    if (!rep) return;
    const blocks = await db.blocks.where('rideId').equals(rep.rideId).toArray();
    let block = blocks.find(({ skill, rung }) => skill === level.skill && rung === level.rung);
    if (!block) {
      block = {
        blockId: uuidv7(),
        rideId: rep.rideId,
        position: blocks.length,
        skill: level.skill,
        rung: level.rung,
      };
      await db.blocks.add(block);
    }
    const { blockId, skill, rung } = block;
    await db.reps.where({ repId }).modify(toSendAgain<KeptRep>({ blockId, skill, rung }));
  });
}

/** Drops a rep that was refused, or takes that back. */
export async function dropRep(db: KeptDatabase, repId: string, dropped: boolean): Promise<void> {
  await db.reps.where({ repId }).modify((rep) => {
    if (dropped && rep.state === 'refused') rep.state = 'dropped';
    else if (!dropped && rep.state === 'dropped') rep.state = 'refused';
  });
}

/** Drops a ride that was refused with its reps, or takes that back. */
export async function dropRide(db: KeptDatabase, rideId: string, dropped: boolean): Promise<void> {
  const [from, to] = dropped
    ? (['refused', 'dropped'] as const)
    : (['dropped', 'refused'] as const);
  await db.transaction('rw', db.rides, db.reps, async () => {
    const move = (row: { state: string }) => {
      if (row.state === from) row.state = to;
    };
    await db.rides.where({ rideId }).modify(move);
    await db.reps.where({ rideId }).modify(move);
  });
}

async function repsToSend(db: KeptDatabase, rideId: string): Promise<void> {
  await db.reps.where({ rideId }).modify((rep) => {
    if (rep.state === 'refused') toSendAgain<KeptRep>({})(rep);
  });
}
