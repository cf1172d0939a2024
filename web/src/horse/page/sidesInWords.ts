import type { Schemas } from '../../base/api/client';
import { pInWords } from '../../base/words/plain';

/** How far apart left and right are at one level. Which side is the stiff one is the horse's. */
export function sidesInWords({ evenness }: Schemas['LevelSides']): string {
  const { lower_side, difference, time_ratio } = evenness;
  const points = Math.round(Math.abs(difference) * 100);
  const shares =
    !lower_side || points === 0 ? 'Even.' : `The ${lower_side} lags by ${points} points.`;
  const slower = slowerSide(evenness);
  if (time_ratio == null || !slower) return shares;
  const times =
    time_ratio < 1.05
      ? 'Both take as long.'
      : `The ${slower} takes ${time_ratio.toFixed(1)} times as long.`;
  return `${shares} ${times}`;
}

/** The same in figures, with their names; none where the words are all there is. */
export function sidesInFigures({ evenness, low, high }: Schemas['LevelSides']): string | null {
  const { lower_side, difference, p } = evenness;
  const [points, least, most] = [difference, low, high].map((share) => Math.round(share * 100));
  if (!lower_side || points === 0) return null;
  const shares = `Left less right: ${points} points (90% interval ${least} to ${most}).`;
  return p == null ? shares : `${shares} Time to give, log-rank test: ${pInWords(p)}.`;
}

const slowerSide = ({ symmetry_index_pct }: Schemas['LevelSides']['evenness']) =>
  symmetry_index_pct == null ? null : symmetry_index_pct > 0 ? 'left' : 'right';
