import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import type { Measure } from '../base/words/measures';
import type { KeptDatabase, KeptRide } from './db';
import { blockOf, type Level } from './keep';

/** A ride that is logged from a film: begun when the film begins, over when it ends. */
export interface TapedRide {
  rideId: string;
  horseId: string;
  horseName: string;
  riderId: string;
  day: string;
  /** ISO time of the film's first frame. */
  startedAt: string;
  lengthMs: number;
}

export interface TapedAsk {
  level: Level;
  side: Schemas['Side'];
  /** Milliseconds into the film. */
  afterMs: number;
  measure: Measure;
}

/**
 * Keeps an ask that was seen in a film. The ride is over from the start: it is no ride that goes
 * on, whatever is ridden meanwhile.
 */
export async function keepFromTape(
  db: KeptDatabase,
  ride: TapedRide,
  ask: TapedAsk,
): Promise<void> {
  await db.transaction('rw', db.rides, db.blocks, db.reps, async () => {
    const known = (await db.rides.get(ride.rideId)) ?? (await begin(db, ride));
    const block = await blockOf(db, known, ask.level);
    const afterMs = Math.max(0, Math.round(ask.afterMs));
    await db.reps.add({
      repId: uuidv7(),
      rideId: ride.rideId,
      blockId: block.blockId,
      ...ask.level,
      side: ask.side,
      sequence: known.nextSequence,
      askedAfterMs: afterMs,
      askedAt: new Date(Date.parse(known.startedAt) + afterMs).toISOString(),
      measure: ask.measure,
      undone: false,
      changes: 0,
      state: 'waiting',
      version: 1,
    });
    await db.rides.update(ride.rideId, { nextSequence: known.nextSequence + 1 });
  });
}

async function begin(db: KeptDatabase, ride: TapedRide): Promise<KeptRide> {
  const { riderId, lengthMs, ...of } = ride;
  const kept: KeptRide = {
    ...of,
    setForwardS: 0,
    lastMs: lengthMs,
    lastWall: Date.now(),
    nextSequence: 0,
    finishedAfterMs: lengthMs,
    openedAgain: 0,
    fromTape: { rider_id: riderId },
    state: 'waiting',
    version: 1,
  };
  await db.rides.add(kept);
  return kept;
}
