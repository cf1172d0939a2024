import { useLive } from '../base/core/useLive';
import type { DrillBook } from './drillDraft';

const any = {
  drill: 'three_circles',
  size_ft: 30,
  first: 'left',
  laps: 1,
  placing: { origin: [0, 0] },
} as const;

/** All drills as they are written down in the core; undefined until it answered. */
export function useDrillBook(): DrillBook | undefined {
  return useLive('drill', { plan: { ...any, placing: { origin: [0, 0] } } }).output?.all;
}
