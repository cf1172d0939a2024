import type { Schemas } from '../../base/api/client';
import { points } from '../../base/words/plain';

/** Whether two shares are apart, in words; both bounds on one side of nothing say so. */
export function sayApart({ difference, low, high }: Schemas['Difference']): string {
  const by = `${points(Math.abs(difference))} points`;
  if (high < 0) return `${by} less, very likely real.`;
  if (low > 0) return `${by} more, very likely real.`;
  return 'Could be chance.';
}
