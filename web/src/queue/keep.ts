import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../api/client';
import type { Give } from '../words/measures';
import type { KeptDatabase, KeptRep, KeptRide } from './db';

/** Writing on the device. Every write ends on disk before the next tap is shown. */

export interface Level {
  skill: string;
  rung: string;
}

/** The horse's ride that is not finished yet, or a new one begun now. */
export async function goOnWith(
  db: KeptDatabase,
  horseId: string,
  day: string,
  level: Level,
): Promise<KeptRide> {
  return db.transaction('rw', db.rides, async () => {
    const rides = await db.rides.where('horseId').equals(horseId).toArray();
    const going = rides.find((ride) => ride.finishedAt === null && ride.day === day);
    if (going) return going;
    const ride: KeptRide = {
      rideId: uuidv7(),
      horseId,
      ...level,
      day,
      startedAt: new Date().toISOString(),
      finishedAt: null,
      state: 'waiting',
      version: 1,
    };
    await db.rides.add(ride);
    return ride;
  });
}

export interface RecordedAsk {
  side: Schemas['Side'];
  askedAt: Date;
  measure: Give;
}

export async function keepRep(db: KeptDatabase, ride: KeptRide, ask: RecordedAsk): Promise<void> {
  await db.reps.add({
    repId: uuidv7(),
    rideId: ride.rideId,
    skill: ride.skill,
    rung: ride.rung,
    side: ask.side,
    askedAt: ask.askedAt.toISOString(),
    measure: ask.measure,
    undone: false,
    state: 'waiting',
    version: 1,
  });
}

/** Takes a rep back. It stays known, and is never judged. */
export async function takeBack(db: KeptDatabase, repId: string): Promise<void> {
  await db.reps
    .where('repId')
    .equals(repId)
    .modify(toSendAgain<KeptRep>({ undone: true }));
}

/** The same ask with another answer: the first is taken back, a new one kept. */
export async function changeAnswer(
  db: KeptDatabase,
  rep: KeptRep,
  answer: Schemas['Answer'],
): Promise<void> {
  await db.transaction('rw', db.reps, async () => {
    await takeBack(db, rep.repId);
    await db.reps.add({
      ...rep,
      repId: uuidv7(),
      measure: { ...rep.measure, answer },
      undone: false,
      state: 'waiting',
      version: 1,
      soft: undefined,
      refusedBecause: undefined,
    });
  });
}

/** Finishes a ride. One without an ask leaves no trace. */
export async function finish(db: KeptDatabase, rideId: string): Promise<'kept' | 'empty'> {
  return db.transaction('rw', db.rides, db.reps, async () => {
    const asked = await db.reps.where('rideId').equals(rideId).count();
    if (asked === 0) {
      await db.rides.delete(rideId);
      return 'empty';
    }
    const finishedAt = new Date().toISOString();
    await db.rides.where('rideId').equals(rideId).modify(toSendAgain<KeptRide>({ finishedAt }));
    return 'kept';
  });
}

/** What was said of a ride after it: marks, and all faults seen in its parts. */
export type Chips = Pick<KeptRide, 'marks' | 'faults'>;

/** Keeps what was said of a ride, also of one that another device recorded. */
export async function keepChips(
  db: KeptDatabase,
  ride: Omit<KeptRide, 'state' | 'version'>,
  chips: Chips,
): Promise<void> {
  await db.transaction('rw', db.rides, async () => {
    const known = await db.rides.get(ride.rideId);
    if (!known) await db.rides.add({ ...ride, state: 'waiting', version: 0 });
    await db.rides.where('rideId').equals(ride.rideId).modify(toSendAgain<KeptRide>(chips));
  });
}

/** Lets everything that was refused be tried again. */
export async function tryRefusedAgain(db: KeptDatabase): Promise<void> {
  await db.transaction('rw', db.rides, db.reps, async () => {
    await db.rides.where('state').equals('refused').modify(toSendAgain({}));
    await db.reps.where('state').equals('refused').modify(toSendAgain({}));
  });
}

/** A change to a row that has to reach the server. */
function toSendAgain<T extends { state: string; version: number; refusedBecause?: string }>(
  change: Partial<T>,
): (row: T) => void {
  return (row) => {
    Object.assign(row, change);
    row.state = 'waiting';
    row.version += 1;
    delete row.refusedBecause;
  };
}
