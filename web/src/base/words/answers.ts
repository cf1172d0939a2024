import type { Schemas } from '../api/client';

export type Answer = Schemas['Answer'];
export type HandWeight = Schemas['HandWeight'];
export type Side = Schemas['Side'];
export type Verdict = Schemas['Verdict'];

export const answerWords: Record<Answer, string> = {
  gave: 'gave',
  late: 'late',
  did_not_give: 'did not give',
  evaded_up: 'evaded, head up',
  evaded_down: 'evaded, rooted down',
  evaded_out: 'evaded, nose out',
  evaded_behind: 'evaded, behind vertical',
  evaded_shoulder: 'evaded, through the shoulder',
  evaded_sideways: 'evaded, sideways',
  evaded_backed_off: 'evaded, backed off',
};

/** Lightest first. */
export const hands: HandWeight[] = [
  'feather',
  'fingertip',
  'two_fingers',
  'closed_hand',
  'forearm',
  'pull',
];

export const handWords: Record<HandWeight, string> = {
  feather: 'feather',
  fingertip: 'fingertip',
  two_fingers: 'two fingers',
  closed_hand: 'closed hand',
  forearm: 'forearm',
  pull: 'pull',
};

export const sideWords: Record<Side, string> = {
  left: 'Left',
  right: 'Right',
  both: 'Both sides',
};

export const verdictWords: Record<Verdict, string> = {
  check_first: 'Check first',
  ease_back: 'Ease back',
  advance: 'Advance',
  confirm: 'Confirm',
  stay: 'Stay',
  refresh: 'Refresh',
};

export const seconds = (s: number) => `${s.toFixed(1)} s`;
