import { levelPath } from '../../data/level';
import { ridePath } from '../../data/ridePath';
import type { StringHorse } from './string';

/** Where the horse is ridden for what it is out for. */
export const aimRidePath = ({ horse, aim }: StringHorse) => ridePath(horse.horse_id, aim.level);

export const aimPath = ({ horse, aim }: StringHorse) =>
  levelPath({ horseId: horse.horse_id, skill: aim.level.skill, rung: aim.level.rung });
