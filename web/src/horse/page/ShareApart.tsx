import type { Schemas } from '../../base/api/client';
import { Figures } from '../../shell/Figures';
import { points } from '../../base/words/plain';

/** One share less another, with its bounds. */
export function ShareApart({ of, difference }: { of: string; difference: Schemas['Difference'] }) {
  return (
    <Figures>
      {of}: {points(difference.difference)} points (95% interval {points(difference.low)} to{' '}
      {points(difference.high)}).
    </Figures>
  );
}
