import type { Schemas } from '../api/client';
import { howSure, pInWords } from '../words/plain';

/** How far apart left and right are, and how sure that is. */
export function sidesInWords({ evenness, proven }: Schemas['LevelSides']): string {
  const { stiff_side, difference, time_ratio, p } = evenness;
  const points = Math.round(Math.abs(difference) * 100);
  const shares =
    !stiff_side || points === 0
      ? 'Even.'
      : `The ${stiff_side} lags by ${points} points, ${proven ? 'very likely real' : 'may be chance'}.`;
  const slower = slowerSide(evenness);
  if (time_ratio == null || !slower) return shares;
  const times =
    time_ratio < 1.05
      ? 'Both take as long.'
      : `The ${slower} takes ${time_ratio.toFixed(1)} times as long${p == null ? '' : `, ${howSure(p)}`}.`;
  return `${shares} ${times}`;
}

/** The same in figures, with their names; none where the words are all there is. */
export function sidesInFigures({ evenness, low, high }: Schemas['LevelSides']): string | null {
  const { stiff_side, difference, p } = evenness;
  const [points, least, most] = [difference, low, high].map((share) => Math.round(share * 100));
  if (!stiff_side || points === 0) return null;
  const shares = `Left less right: ${points} points (90% interval ${least} to ${most}).`;
  return p == null ? shares : `${shares} Time to give, log-rank test: ${pInWords(p)}.`;
}

const slowerSide = ({ symmetry_index_pct }: Schemas['LevelSides']['evenness']) =>
  symmetry_index_pct == null ? null : symmetry_index_pct > 0 ? 'left' : 'right';
