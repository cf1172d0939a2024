import { useEffect, useMemo } from 'react';
import { useLiveQuery } from 'dexie-react-hooks';
import type { Card } from '../../data/card';
import { begin, useCard } from '../../offline/useCard';
import type { CardPartAdded, KeptRide } from '../../outbox/db';
import { cardId } from '../../outbox/card';
import type { Level } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';

/** A part of the ride's card in which a level is asked. */
export interface CardPart {
  part: Card['blocks'][number]['part'];
  level: Level;
  name: string;
  minutes: number;
  /** Who has to be there; empty where it can be done alone. */
  who: string;
  /** Asks of all sides that the card has for it. */
  asks: number;
  /** It was put there while the ride went on: dry work, or the way back to the cattle. */
  added?: boolean;
}

const none: CardPart[] = [];

/**
 * The parts of the card the ride goes by. What is asked on the way changes it no more; a
 * ride that is opened without a look at its card goes by the card of today.
 */
export function useCardParts(horseId: string, ride: KeptRide | undefined): CardPart[] {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const of = cardId(ride ?? { horseId, day: dayIn(time_zone) });
  const kept = useLiveQuery(async () => ({ card: await db.cards.get(of) }), [db, of]);
  // A ride that was joined on the way has no card here yet.
  const starts = ride === undefined || (kept !== undefined && !kept.card?.begun);
  const { card } = useCard(horseId, starts);
  const said = JSON.stringify(card?.blocks);
  useEffect(() => {
    if (starts && card) void begin(db, of, card);
    // The card as it reads: it is built anew with every look at it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [db, of, starts, said]);
  return useMemo(() => {
    const begun = kept?.card?.begun ? partsOf(kept.card.begun) : none;
    return [...begun, ...(kept?.card?.added ?? []).map(asPart)];
  }, [kept]);
}

function partsOf({ blocks }: Card): CardPart[] {
  return blocks.flatMap((block) =>
    block.levels.map(({ level, name }) => ({
      part: block.part,
      level,
      name,
      who: block.who,
      minutes: block.part === 'cold' ? 0 : block.minutes,
      asks: block.asks.reduce((sum, { asks }) => sum + asks, 0),
    })),
  );
}

/** What was ordered on the way has no minutes of its own: it lasts until it is right. */
const asPart = ({ part, skill, rung, name, asks }: CardPartAdded): CardPart => ({
  part,
  level: { skill, rung },
  name,
  who: '',
  minutes: 0,
  asks,
  added: true,
});

/** Minutes the card has for a level; none for one that it does not have. */
export function budgetMin(parts: CardPart[], { skill, rung }: Level): number | null {
  const own = parts.filter(({ level }) => level.skill === skill && level.rung === rung);
  const minutes = own.reduce((sum, part) => sum + part.minutes, 0);
  return minutes > 0 ? minutes : null;
}
