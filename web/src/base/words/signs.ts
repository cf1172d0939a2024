import type { Schemas } from '../api/client';

export const relaxingWords: Record<Schemas['Relaxing'], string> = {
  lowers_head: 'Lowers head',
  licks: 'Licks, chews',
  blinks: 'Blinks',
  yawns: 'Yawns',
  sighs: 'Sighs',
  soft_ears: 'Soft ears',
  quiet_tail: 'Quiet tail',
};

export const troubleWords: Record<Schemas['Trouble'], string> = {
  pinned_ears: 'Pinned ears',
  tail_wringing: 'Wrings tail',
  grinding: 'Grinds teeth',
  gaping: 'Gapes',
  white_of_eye: 'White of the eye',
  holds_breath: 'Holds breath',
  head_shy: 'Head shy',
  cold_back: 'Cold back',
  uneven_steps: 'Uneven steps',
};

/** Where a horse is drawn to; stored in these words. */
export const drawnToWords: Record<string, string> = {
  gate: 'The gate',
  friends: 'Friends',
  barn: 'The barn',
  trailer: 'The trailer',
};
