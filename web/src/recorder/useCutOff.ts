import { useState } from 'react';
import type { Side } from './hold';

/** A hold that the device broke off: what the horse did is still to be said. */
export interface CutOffHold {
  side: Side;
  /** ISO time of the ask. */
  askedAt: string;
  time_s: number;
}

const key = (rideId: string) => `cavesson.cut-off.${rideId}`;

/** The ride's cut-off holds, oldest first; a lock screen or a reload does not lose them. */
export function useCutOff(rideId: string | undefined) {
  const [, drawAgain] = useState(0);
  const kept = rideId ? localStorage.getItem(key(rideId)) : null;
  const holds = kept ? (JSON.parse(kept) as CutOffHold[]) : [];
  const keep = (next: CutOffHold[]) => {
    if (!rideId) return;
    if (next.length > 0) localStorage.setItem(key(rideId), JSON.stringify(next));
    else localStorage.removeItem(key(rideId));
    drawAgain((count) => count + 1);
  };
  return {
    cutOff: holds[0] ?? null,
    add: (hold: CutOffHold) => keep([...holds, hold]),
    settle: () => keep(holds.slice(1)),
  };
}
