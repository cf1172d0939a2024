import { startTransition, useEffect, useState } from 'react';
import { inTurn } from './drawnLater';

/** How many of a long list are drawn by now: a few at first, the others in turn. */
export function useFewAtFirst(all: number, few: number): number {
  const [drawn, setDrawn] = useState(few);
  useEffect(() => {
    if (drawn >= all) return;
    return inTurn(() => startTransition(() => setDrawn(drawn + few)));
  }, [drawn, all, few]);
  return drawn;
}
