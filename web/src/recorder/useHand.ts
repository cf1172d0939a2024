import { useState } from 'react';
import { useWho } from '../session/who';
import { hands, type HandWeight } from '../words/answers';

/** The hand weight in use, kept from ride to ride: of this person on this horse. */
export function useHand(horseId: string) {
  const { barn_id, person_id } = useWho();
  const key = `cavesson.hand.${barn_id}.${person_id}.${horseId}`;
  const [hand, set] = useState<HandWeight>(() => {
    const kept = localStorage.getItem(key) as HandWeight | null;
    return kept && hands.includes(kept) ? kept : 'fingertip';
  });
  const setHand = (next: HandWeight) => {
    localStorage.setItem(key, next);
    set(next);
  };
  return [hand, setHand] as const;
}
