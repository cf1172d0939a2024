import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import type { Measure } from '../base/words/measures';
import { cardId, rigOf } from './card';
import { RideClock } from './clock';
import type { KeptBlock, KeptDatabase, KeptHold, KeptRep, KeptRide, Row } from './db';
import { measureOf, type Settled } from './settled';

/**
 * Writing on the device. Each of these is one transaction: it is kept whole or not
 * at all, and asked twice it happens once.
 */

export interface Level {
  skill: string;
  rung: string;
}

/** A ride that began longer ago is over, whether it was finished or not. */
export const goesOnForMs = 12 * 3_600_000;

export const clock = new RideClock();

/** Who is ridden, and on which day of the barn. */
export interface Mount {
  horseId: string;
  horseName: string;
  day: string;
}

/** Rides that are not finished yet, the latest first. */
export async function openRides(db: KeptDatabase): Promise<KeptRide[]> {
  const rides = await db.rides.filter((ride) => ride.finishedAfterMs === null).toArray();
  const open = rides.filter((ride) => ride.state !== 'dropped');
  return open.sort((a, b) => (a.rideId < b.rideId ? 1 : -1));
}

/** The horse's ride that goes on, also after midnight. */
export async function goingRide(db: KeptDatabase, horseId: string): Promise<KeptRide | undefined> {
  const open = await openRides(db);
  const goesOn = (ride: KeptRide) =>
    clock.follows(ride.rideId) || Math.abs(Date.now() - ride.lastWall) < goesOnForMs;
  return open.find((ride) => ride.horseId === horseId && goesOn(ride));
}

export interface RecordedAsk {
  repId: string;
  level: Level;
  side: Schemas['Side'];
  /** When it began on the wall clock, and how long ago that is on the steady one. */
  askedAt: Date;
  agoMs: number;
  /** Told after asks that came later: it goes where it belongs. */
  late?: boolean;
  measure: Measure;
}

const everything = (db: KeptDatabase) => [db.rides, db.blocks, db.reps, db.holds, db.cards];

/** Keeps an ask, with its block and its ride where they are new. A rep that is known stays as it is. */
export async function keepRep(db: KeptDatabase, mount: Mount, ask: RecordedAsk): Promise<void> {
  await db.transaction('rw', everything(db), async () => {
    await db.holds.delete(ask.repId);
    if (await db.reps.get(ask.repId)) return;
    const ride = (await goingRide(db, mount.horseId)) ?? (await begin(db, mount, ask));
    const block = await blockOf(db, ride, ask.level);
    const atLeast = ask.late ? 0 : undefined;
    const { ms, setForwardS } = clock.after(ride.rideId, ride, ask.agoMs, atLeast);
    await db.reps.add({
      repId: ask.repId,
      rideId: ride.rideId,
      blockId: block.blockId,
      skill: block.skill,
      rung: block.rung,
      side: ask.side,
      sequence: ride.nextSequence,
      askedAfterMs: ms,
      askedAt: ask.askedAt.toISOString(),
      measure: inWork(ask.measure, ride.works?.findLast(({ ended }) => !ended)?.work_id),
      undone: false,
      changes: 0,
      state: 'waiting',
      version: 1,
    });
    await db.rides.update(ride.rideId, {
      nextSequence: ride.nextSequence + 1,
      lastMs: Math.max(ms, ride.lastMs),
      lastWall: Date.now(),
    });
    if (setForwardS !== 0) await clockWasSet(db, setForwardS);
  });
}

/** A turn names the work it was made in: the one that goes on. */
function inWork(measure: Measure, workId: string | undefined): Measure {
  return measure.kind === 'turn' && workId ? { ...measure, work_id: workId } : measure;
}

/** Another answer is of the same turn: its cow, or where the flag was, stays. */
function sameTurn(before: Measure, measure: Measure): Measure {
  if (before.kind !== 'turn' || measure.kind !== 'turn') return measure;
  const { work_id, flag } = before;
  return { ...measure, ...(work_id && { work_id }), ...(flag && { flag }) };
}

/** A ride begins with its first ask. */
async function begin(db: KeptDatabase, mount: Mount, ask: RecordedAsk): Promise<KeptRide> {
  const ride: KeptRide = {
    rideId: uuidv7(),
    ...mount,
    startedAt: ask.askedAt.toISOString(),
    setForwardS: 0,
    lastMs: -1,
    lastWall: ask.askedAt.getTime(),
    nextSequence: 0,
    finishedAfterMs: null,
    openedAgain: 0,
    state: 'waiting',
    version: 1,
  };
  const card = await db.cards.get(cardId(mount));
  const quietMin = card?.wanted.quiet_today_min;
  if (quietMin !== undefined) ride.quietAfterS = Math.round(quietMin * 60);
  if (card?.present) ride.present = card.present;
  if (card?.intake) {
    ride.intake = card.intake;
    // It is about one ride.
    await db.cards.update(card.id, { intake: undefined });
  }
  const rig = await rigOf(db, mount);
  if (rig) ride.rigs = [{ after_ms: 0, ...rig }];
  if (rig?.kind === 'two_rein' && card?.bosalPct !== undefined)
    ride.shares = [{ after_ms: 0, bosal_pct: card.bosalPct }];
  if (card?.work) ride.works = [{ ...card.work, after_ms: 0 }];
  // What a ride before it ordered was for that ride.
  if (card?.work || card?.added)
    await db.cards.update(card.id, { work: undefined, added: undefined });
  clock.begin(ride.rideId, ask.agoMs);
  await db.rides.add(ride);
  return ride;
}

/** The ride's block of a level: going back to one goes on where it was. */
export async function blockOf(db: KeptDatabase, ride: KeptRide, level: Level): Promise<KeptBlock> {
  const blocks = await db.blocks.where('rideId').equals(ride.rideId).toArray();
  const known = blocks.find(({ skill, rung }) => skill === level.skill && rung === level.rung);
  if (known) return known;
  const block = { blockId: uuidv7(), rideId: ride.rideId, position: blocks.length, ...level };
  await db.blocks.add(block);
  return block;
}

/** Rides that the server does not know yet began by a clock that stood otherwise. */
async function clockWasSet(db: KeptDatabase, bySeconds: number): Promise<void> {
  await db.rides
    .where('state')
    .anyOf('waiting', 'refused')
    .modify((ride) => {
      ride.setForwardS += bySeconds;
    });
}

/** Keeps a hold from its press on. */
export async function keepHold(db: KeptDatabase, hold: KeptHold): Promise<void> {
  await db.holds.put(hold);
}

/** How long it has been held; a hold that was settled meanwhile stays so. */
export async function holdsOn(db: KeptDatabase, repId: string, heldS: number): Promise<void> {
  await db.holds.update(repId, { heldS });
}

/** The device broke a hold off: what the horse did is asked. */
export async function cutOff(db: KeptDatabase, repId: string, heldS: number): Promise<void> {
  await db.holds.update(repId, { heldS, cutOff: true });
}

/** A hold that was not an ask after all. */
export async function forgetHold(db: KeptDatabase, repId: string): Promise<void> {
  await db.holds.delete(repId);
}

/** What the horse did in a hold that was broken off. Said twice, it is kept once. */
export async function settleHold(
  db: KeptDatabase,
  repId: string,
  day: string,
  answer: Settled,
): Promise<void> {
  await db.transaction('rw', everything(db), async () => {
    const hold = await db.holds.get(repId);
    if (!hold) return;
    if (answer === null) {
      await db.holds.delete(repId);
      return;
    }
    const askedAt = new Date(hold.askedAt);
    await keepRep(
      db,
      { horseId: hold.horseId, horseName: hold.horseName, day },
      {
        repId,
        level: hold,
        side: hold.side,
        askedAt,
        agoMs: Math.min(Math.max(0, Date.now() - askedAt.getTime()), goesOnForMs),
        late: true,
        measure: measureOf(hold, answer),
      },
    );
  });
}

/** Takes a rep back, or brings it back. It stays known either way. */
export async function setUndone(db: KeptDatabase, repId: string, undone: boolean): Promise<void> {
  await db.reps
    .where('repId')
    .equals(repId)
    .modify((rep) => {
      if (rep.undone === undone) return;
      toSendAgain<KeptRep>({ undone, changes: rep.changes + 1 })(rep);
    });
}

/** The same ask with another answer: the first is taken back, a new one kept in its place. */
export async function changeAnswer(
  db: KeptDatabase,
  rep: KeptRep,
  measure: Measure,
): Promise<void> {
  await db.transaction('rw', db.reps, async () => {
    const known = await db.reps.get(rep.repId);
    // Changed twice by a double tap: the second finds it taken back.
    if (!known || known.undone) return;
    await setUndone(db, rep.repId, true);
    await db.reps.add({
      ...known,
      repId: uuidv7(),
      measure: sameTurn(known.measure, measure),
      undone: false,
      changes: 0,
      state: 'waiting',
      version: 1,
      soft: undefined,
      refusedBecause: undefined,
    });
  });
}

/** Finishes a ride. */
export async function finish(db: KeptDatabase, rideId: string): Promise<void> {
  await db.transaction('rw', db.rides, async () => {
    const ride = await db.rides.get(rideId);
    if (!ride || ride.finishedAfterMs !== null) return;
    const { ms, setForwardS } = clock.after(rideId, ride);
    const change = { finishedAfterMs: ms, lastMs: ms, lastWall: Date.now() };
    await db.rides.where({ rideId }).modify(toSendAgain<KeptRide>(change));
    if (setForwardS !== 0) await clockWasSet(db, setForwardS);
  });
}

/** What the server tells of a ride that this device may not have. */
export type KnownRide = Omit<KeptRide, keyof Row | 'setForwardS' | 'lastWall' | 'nextSequence'> & {
  blocks: KeptBlock[];
  asked: number;
};

/** The ride as this device has it; one that another recorded is taken in first. */
export async function takeIn(db: KeptDatabase, known: KnownRide): Promise<void> {
  const { blocks, asked, ...ride } = known;
  const here = await db.rides.get(ride.rideId);
  const kept: KeptRide = here ?? {
    ...ride,
    setForwardS: 0,
    lastWall: Date.now(),
    nextSequence: asked,
    state: 'sent',
    version: 0,
  };
  if (!here) await db.rides.add(kept);
  for (const block of blocks) {
    if (!(await db.blocks.get(block.blockId))) await db.blocks.add(block);
  }
}

/** Goes along on a ride that another device began: its asks and this one's are one ride. */
export async function join(db: KeptDatabase, known: KnownRide, nowMs: number): Promise<void> {
  await db.transaction('rw', db.rides, db.blocks, async () => {
    await takeIn(db, { ...known, lastMs: Math.max(known.lastMs, Math.min(nowMs, goesOnForMs)) });
  });
}

/** Opens a finished ride again. */
export async function openAgain(db: KeptDatabase, known: KnownRide): Promise<void> {
  await db.transaction('rw', db.rides, db.blocks, async () => {
    await takeIn(db, known);
    await db.rides.where({ rideId: known.rideId }).modify((ride) => {
      if (ride.finishedAfterMs === null) return;
      const openedAgain = Math.max(ride.openedAgain, known.openedAgain) + 1;
      const lastMs = Math.max(ride.lastMs, known.lastMs);
      const change = { finishedAfterMs: null, openedAgain, lastMs, lastWall: Date.now() };
      toSendAgain<KeptRide>(change)(ride);
    });
  });
}

/** What was said of a ride after it: marks, all faults seen in its parts, how it ended. */
export type Chips = Pick<KeptRide, 'marks' | 'faults' | 'ended' | 'mood' | 'exertion' | 'note'>;

/** Keeps what was said of a ride, also of one that another device recorded. */
export async function keepChips(db: KeptDatabase, known: KnownRide, chips: Chips): Promise<void> {
  await db.transaction('rw', db.rides, db.blocks, async () => {
    await takeIn(db, known);
    await db.rides.where({ rideId: known.rideId }).modify(toSendAgain<KeptRide>(chips));
  });
}

/** A change to a row that has to reach the server. */
export function toSendAgain<T extends Row>(change: Partial<T>): (row: T) => void {
  return (row) => {
    Object.assign(row, change);
    row.state = 'waiting';
    row.version += 1;
    delete row.refusedBecause;
    delete row.refusedAt;
  };
}
