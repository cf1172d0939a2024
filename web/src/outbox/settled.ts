import type { Measure } from '../base/words/measures';
import type { KeptHold } from './db';

/** What came of a hold that was cut off; null for no ask at all. */
export type Settled = 'gave' | 'did_not_give' | null;

/** The ask that a settled hold makes. */
export function measureOf(hold: KeptHold, answer: Exclude<Settled, null>): Measure {
  const { measure, hand = 'fingertip', heldS } = hold;
  if (measure?.kind === 'stop')
    return { ...measure, off_bridle_s: answer === 'gave' ? heldS : null };
  const give = measure?.kind === 'give' ? measure : { kind: 'give' as const, hand };
  return { ...give, time_s: heldS, answer };
}
