import type { Schemas } from '../api/client';

export const placeWords: Record<Schemas['PlaceKind'], string> = {
  arena: 'Arena',
  round_pen: 'Round pen',
  cattle_pen: 'Cattle pen',
  outside: 'Outside',
};

export const gearWords: Record<Schemas['GearKind'], string> = {
  halter: 'Halter',
  snaffle: 'Snaffle',
  bosal: 'Bosal',
  shank: 'Shank bit',
  two_rein: 'Two-rein',
  saddle: 'Saddle, pads, cinch',
  boots: 'Boots and wraps',
  ground_tool: 'Stick, flag, rope',
};

export const cattleWords: Record<Schemas['CattleKind'], string> = {
  heifers: 'Heifers',
  steers: 'Steers',
  cows: 'Cows',
  mixed: 'Mixed',
};
