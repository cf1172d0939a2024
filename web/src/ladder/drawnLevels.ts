import type { DrawnLevel } from '../draw/ladderLayout';
import { placeOf } from '../data/levelsOfHorse';
import type { ShownLadder } from '../data/ladder';

/** A ladder's levels as they are drawn, their needs by place. */
export function drawnLevels(ladder: ShownLadder): DrawnLevel[] {
  return ladder.levels.map(({ level, needs }) => ({
    level,
    needs: needs.map((alternatives) => alternatives.map((need) => placeOf(ladder.levels, need))),
  }));
}
