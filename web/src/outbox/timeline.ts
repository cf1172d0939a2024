import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import type { Measure } from '../base/words/measures';
import type { KeptDatabase, KeptRep } from './db';
import { blockOf, changeAnswer, setUndone, takeIn, type KnownRide, type Level } from './keep';

/** Putting right what was recorded, also by another device: nothing is lost, all of it is kept. */

export type TimelineAsk = Schemas['TimelineAsk'];

/** The ask as this device has it; one that another recorded is taken in first. */
async function takenIn(db: KeptDatabase, known: KnownRide, ask: TimelineAsk): Promise<KeptRep> {
  await takeIn(db, known);
  const here = await db.reps.get(ask.rep_id);
  if (here) return here;
  const rep: KeptRep = {
    repId: ask.rep_id,
    rideId: known.rideId,
    blockId: ask.block_id,
    skill: ask.skill,
    rung: ask.rung,
    side: ask.side,
    sequence: ask.sequence,
    askedAfterMs: ask.asked_after_ms,
    askedAt: ask.asked_at,
    measure: ask.measure,
    faults: ask.faults,
    undone: ask.undone,
    changes: ask.changes,
    soft: ask.soft ?? undefined,
    state: 'sent',
    version: 0,
  };
  await db.reps.add(rep);
  return rep;
}

const tables = (db: KeptDatabase) => [db.rides, db.blocks, db.reps];

/** Takes an ask back, or brings it back. */
export async function turn(
  db: KeptDatabase,
  known: KnownRide,
  ask: TimelineAsk,
  undone: boolean,
): Promise<void> {
  await db.transaction('rw', tables(db), async () => {
    const rep = await takenIn(db, known, ask);
    await setUndone(db, rep.repId, undone);
  });
}

/** The same ask with another answer. */
export async function answerAnew(
  db: KeptDatabase,
  known: KnownRide,
  ask: TimelineAsk,
  measure: Measure,
): Promise<void> {
  await db.transaction('rw', tables(db), async () => {
    await changeAnswer(db, await takenIn(db, known, ask), measure);
  });
}

/** The same ask at another level: it was recorded in the wrong part of the ride. */
export async function move(
  db: KeptDatabase,
  known: KnownRide,
  ask: TimelineAsk,
  level: Level,
): Promise<void> {
  await db.transaction('rw', tables(db), async () => {
    const rep = await takenIn(db, known, ask);
    const ride = await db.rides.get(known.rideId);
    if (!ride || rep.undone) return;
    const block = await blockOf(db, ride, { skill: level.skill, rung: level.rung });
    await setUndone(db, rep.repId, true);
    await db.reps.add({
      ...rep,
      repId: uuidv7(),
      blockId: block.blockId,
      skill: block.skill,
      rung: block.rung,
      undone: false,
      changes: 0,
      state: 'waiting',
      version: 1,
      soft: undefined,
      faults: [],
    });
  });
}
