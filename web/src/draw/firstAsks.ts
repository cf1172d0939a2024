import type { Side } from '../base/words/answers';

/** The first ask of a level on a day and side. */
export interface FirstAsk {
  repId: string;
  day: string;
  side: Side;
  soft: boolean;
}

/** Soft on how many of the last days that asked it, for one side. */
export function lately(asks: FirstAsk[], side: Side, days: number): { soft: number; of: number } {
  const own = asks.filter((ask) => ask.side === side).slice(-days);
  return { soft: own.filter((ask) => ask.soft).length, of: own.length };
}
