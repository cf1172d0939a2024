import { cardId } from './card';
import type { KeptDatabase, KeptRide } from './db';
import { goingRide, toSendAgain, type Mount } from './keep';

/** Who else is there: for the ride that goes on, else for the next to begin today. */
export async function setPresent(
  db: KeptDatabase,
  mount: Pick<Mount, 'horseId' | 'day'>,
  present: string,
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    if (ride) {
      await db.rides.where({ rideId: ride.rideId }).modify(toSendAgain<KeptRide>({ present }));
      return;
    }
    const id = cardId(mount);
    await db.cards.put({ wanted: {}, ...(await db.cards.get(id)), id, present });
  });
}

/** What was said of who else is there. */
export async function presentOf(
  db: KeptDatabase,
  mount: Pick<Mount, 'horseId' | 'day'>,
): Promise<string | undefined> {
  const ride = await goingRide(db, mount.horseId);
  return ride ? ride.present : (await db.cards.get(cardId(mount)))?.present;
}
