import { cardId } from './card';
import type { KeptDatabase, KeptRide, Rig } from './db';
import { clock, goingRide, toSendAgain, type Mount } from './keep';

/** As many as the server takes of one ride. */
const mostRigs = 20;

/** What the barn says the horse wears, for the next ride of the day, until its rider picks otherwise. */
export async function wearAsBarnSays(
  db: KeptDatabase,
  mount: Pick<Mount, 'horseId' | 'day'>,
  rig: Rig,
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    if (await goingRide(db, mount.horseId)) return;
    const id = cardId(mount);
    const card = await db.cards.get(id);
    const picked = card?.rig && card.rig.gear_id !== card.wornByBarn;
    if (picked || card?.rig?.gear_id === rig.gear_id) return;
    const wornByBarn = rig.gear_id ?? undefined;
    await db.cards.put({ wanted: {}, ...card, id, rig, wornByBarn });
  });
}

/** Another rig: for the ride that goes on from now, else for the next to begin today. */
export async function setRig(
  db: KeptDatabase,
  mount: Pick<Mount, 'horseId' | 'day'>,
  rig: Rig,
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    if (!ride) {
      const id = cardId(mount);
      await db.cards.put({ wanted: {}, ...(await db.cards.get(id)), id, rig });
      return;
    }
    const { ms } = clock.after(ride.rideId, ride);
    const [first, ...later] = [...(ride.rigs ?? []), { after_ms: ms, ...rig }];
    const rigs = first ? [first, ...later.slice(1 - mostRigs)] : [];
    // The next one begins later, whatever the clock says: a ride has no two at one moment.
    const change = { rigs, lastMs: ms, lastWall: Date.now() };
    await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>(change));
  });
}
