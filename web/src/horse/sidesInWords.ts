import type { Schemas } from '../api/client';
import { chance } from '../words/answers';

/** How far apart, and how sure that is. */
export function sidesInWords({ evenness, surely, low, high }: Schemas['LevelSides']): string {
  const { stiff_side, difference, time_ratio, symmetry_index_pct, p } = evenness;
  const points = Math.round(Math.abs(difference) * 100);
  const [least, most] = [low, high].map((bound) => Math.round(bound * 100));
  const shares =
    !stiff_side || points === 0
      ? 'Even.'
      : `The ${stiff_side} lags by ${points} points, ${surely ? 'beyond chance' : 'which may be chance'} (left less right, 90 %: ${least} to ${most}).`;
  if (time_ratio == null || symmetry_index_pct == null) return shares;
  const slower = symmetry_index_pct > 0 ? 'left' : 'right';
  const sure = p == null ? '' : p < 0.05 ? ', hardly chance' : ', which may be chance';
  const times =
    time_ratio < 1.05
      ? 'Both take as long.'
      : `The ${slower} takes ${time_ratio.toFixed(1)} times as long${sure}${p == null ? '' : ` (${chance(p)})`}.`;
  return `${shares} ${times}`;
}
