import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import { cardId } from './card';
import type { KeptDatabase, KeptRide } from './db';
import { clock, goingRide, toSendAgain, type Mount } from './keep';

/** The share of the bosal along a ride in the two-rein, and what the horse asks for. */

type Of = Pick<Mount, 'horseId' | 'day'>;

/** As many as the server takes of one ride. */
const mostShares = 200;
const mostAsks = 100;

/** Changes that follow each other so quickly are one: the hand is still moving. */
const sameMoveMs = 4_000;

/** Another share: for the ride that goes on from now, else for the next to begin today. */
export async function setShare(db: KeptDatabase, mount: Of, bosalPct: number): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    if (!ride) {
      const id = cardId(mount);
      await db.cards.put({ wanted: {}, ...(await db.cards.get(id)), id, bosalPct });
      return;
    }
    const { ms } = clock.after(ride.rideId, ride);
    const before = ride.shares ?? [];
    const last = before.at(-1);
    // What the ride began with stays what it began with.
    const moving = last !== undefined && before.length > 1 && ms - last.after_ms < sameMoveMs;
    // The moment it began to move stays; the share is where the hand came to rest.
    const share = { after_ms: moving ? last.after_ms : ms, bosal_pct: bosalPct };
    const shares = [...(moving ? before.slice(0, -1) : before), share].slice(0, mostShares);
    const change = { shares, lastMs: ms, lastWall: Date.now() };
    await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>(change));
  });
}

/** The horse asks for the bridle (in a bosal, for a smaller one), or asks back. */
export async function horseAsks(
  db: KeptDatabase,
  horseId: string,
  ask: Schemas['TwoReinAsk'],
): Promise<void> {
  await db.transaction('rw', db.rides, async () => {
    const ride = await goingRide(db, horseId);
    if (!ride || (ride.horseAsked?.length ?? 0) >= mostAsks) return;
    const { ms } = clock.after(ride.rideId, ride);
    const asked = { ask_id: uuidv7(), after_ms: ms, ask, undone: false };
    const change = {
      horseAsked: [...(ride.horseAsked ?? []), asked],
      lastMs: ms,
      lastWall: Date.now(),
    };
    await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>(change));
  });
}

/** Takes the last of them back: it stays known, and does not count. */
export async function takeAskBack(db: KeptDatabase, horseId: string): Promise<void> {
  await db.transaction('rw', db.rides, async () => {
    const ride = await goingRide(db, horseId);
    const last = ride?.horseAsked?.findLast(({ undone }) => !undone);
    if (!ride || !last) return;
    const horseAsked = ride.horseAsked?.map((one) =>
      one.ask_id === last.ask_id ? { ...one, undone: true } : one,
    );
    await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>({ horseAsked }));
  });
}
