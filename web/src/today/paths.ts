import { levelPath } from '../level/queries';
import type { StringHorse } from './string';

export const ridePath = ({ horse, aim }: StringHorse) =>
  `/horses/${horse.horse_id}/ride/${aim.skill}/${aim.gait}`;

export const aimPath = ({ horse, aim }: StringHorse) =>
  levelPath({ horseId: horse.horse_id, skill: aim.skill, gait: aim.gait });
