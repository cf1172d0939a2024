import { useState } from 'react';
import { hands, type HandWeight } from '../words/answers';

const key = 'cavesson.hand';

/** The hand weight in use, kept from ride to ride. */
export function useHand() {
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
