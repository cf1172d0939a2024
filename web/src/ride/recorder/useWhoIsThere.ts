import { useLiveQuery } from 'dexie-react-hooks';
import type { Level } from '../../outbox/keep';
import { presentOf, setPresent } from '../../outbox/present';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import type { CardPart } from './useCardParts';

/** Work that nobody does alone asks who is there, once a ride; it stops nobody. */
export function useWhoIsThere(horseId: string, parts: CardPart[], { skill, rung }: Level) {
  const { db, kick } = useQueue();
  const { time_zone } = useWho();
  const mount = { horseId, day: dayIn(time_zone) };
  const said = useLiveQuery(
    async () => ({ present: await presentOf(db, mount) }),
    [db, horseId, mount.day],
  );
  const part = parts.find(({ level }) => level.skill === skill && level.rung === rung);
  if (!part?.who || !said || said.present !== undefined) return null;
  return {
    why: part.who,
    say: async (present: string) => {
      await setPresent(db, mount, present);
      kick();
    },
  };
}

export type WhoIsThereAsked = NonNullable<ReturnType<typeof useWhoIsThere>>;
