import type { KeptDatabase, Rig } from './db';

/** What the device keeps of a horse's card, by horse and day. */

interface Day {
  horseId: string;
  day: string;
}

/** Names a horse's card of a day. */
export const cardId = ({ horseId, day }: Day) => `${horseId} ${day}`;

/** The rig the horse's ride is to begin in: as chosen today, else the last it wore here. */
export async function rigOf(db: KeptDatabase, mount: Day): Promise<Rig | undefined> {
  const chosen = (await db.cards.get(cardId(mount)))?.rig;
  if (chosen) return chosen;
  const rides = await db.rides.where('horseId').equals(mount.horseId).toArray();
  rides.sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
  const last = rides.find((ride) => ride.rigs?.length)?.rigs?.at(-1);
  return last && { kind: last.kind, name: last.name, gear_id: last.gear_id };
}
