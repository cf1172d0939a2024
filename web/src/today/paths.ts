import { levelPath } from '../level/queries';
import type { StringHorse } from './string';

export const ridePath = ({ horse, aim }: StringHorse) =>
  `/horses/${horse.horse_id}/ride/${aim.level.skill}/${aim.level.rung}`;

export const aimPath = ({ horse, aim }: StringHorse) =>
  levelPath({ horseId: horse.horse_id, skill: aim.level.skill, rung: aim.level.rung });
