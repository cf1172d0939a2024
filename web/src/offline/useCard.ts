import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { calculate, hasCore } from '../base/core/core';
import { judgeInput, type OwnRides, type Pack } from './judgeInput';
import { ownRides, packQuery } from './pack';
import type { KeptDatabase, Wanted } from '../outbox/db';
import { cardId } from '../outbox/card';
import { useQueue } from '../outbox/queue';
import { useWho } from '../data/who';
import { dayIn, daysBetween } from '../base/words/days';
import { builtCard, type Card } from '../data/card';
import { dayWith, inOrder, unordered } from './wanted';

/** A horse's card of today, as its rider wants it; built in the page where it has the core. */
export function useCard(horseId: string, enabled = true) {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const date = dayIn(time_zone);
  const id = cardId({ horseId, day: date });
  const kept = useLiveQuery(async () => ({ card: await db.cards.get(id) }), [db, id]);
  const own = useLiveQuery(() => ownRides(db, horseId), [db, horseId]);
  const pack = useQuery({ ...packQuery(horseId), enabled });
  const wanted = kept?.card?.wanted ?? {};
  const said = unordered(wanted);
  const stamp = own && [...own.rides, ...own.reps].map(({ state, version }) => [state, version]);
  const built = useQuery({
    queryKey: ['card', horseId, date, said, pack.dataUpdatedAt, stamp],
    queryFn: () => build(pack.data, own, date, wanted),
    enabled: enabled && pack.data !== undefined && own !== undefined && kept !== undefined,
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  const card = built.data && {
    ...built.data,
    blocks: inOrder(built.data.blocks, wanted.order),
  };
  const put = async (next: Wanted) => keepWanted(db, id, next);
  return { pack, built, card, wanted, put, kept: kept?.card, id };
}

async function build(
  pack: Pack | undefined,
  own: OwnRides | undefined,
  date: string,
  wanted: Wanted,
): Promise<Card> {
  if (!pack || !own) throw new Error('Nothing is known of this horse here yet.');
  const day = dayWith(pack.day, wanted);
  if (!hasCore) return builtCard(pack.horse_id, day);
  return (await calculate('card', { horse: judgeInput(pack, own, date), day })).card;
}

export async function keepWanted(db: KeptDatabase, id: string, wanted: Wanted): Promise<void> {
  await db.transaction('rw', db.cards, async () => {
    const known = await db.cards.get(id);
    await db.cards.put({ ...known, id, wanted });
  });
}

const dayOf = (id: string) => id.split(' ')[1] ?? '';

/** Cards of days that are over are kept no longer than a ride may be opened again. */
const keptDays = 7;

/** The card a ride goes by: what is asked on the way changes it no more. */
export async function begin(db: KeptDatabase, id: string, card: Card): Promise<void> {
  await db.transaction('rw', db.cards, async () => {
    const today = dayOf(id);
    await db.cards.filter((old) => daysBetween(dayOf(old.id), today) > keptDays).delete();
    const known = await db.cards.get(id);
    await db.cards.put({ wanted: {}, ...known, id, begun: card });
  });
}
