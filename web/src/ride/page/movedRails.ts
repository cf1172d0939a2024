import type { Schemas } from '../../base/api/client';

/** A rail that the ride filled, or emptied, in the words of its reason. */
export interface MovedRail {
  text: string;
  filled: boolean;
}

/** The rails of a gate that pass now and did not before, or the other way round. */
export function movedRails(
  now: Schemas['Judgement'],
  before: Schemas['Judgement'] | undefined,
): MovedRail[] {
  if (!before) return [];
  return now.reasons.flatMap(({ item, side, text, holds_back }) => {
    if (!item) return [];
    const then = before.gate.items.find((rail) => rail.item === item && rail.side === side);
    const filled = !holds_back;
    return then && then.passes !== filled ? [{ text, filled }] : [];
  });
}
