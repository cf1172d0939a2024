import type { Side, Zone } from './hold';

/** The recorder's keys, for a laptop on the rail; the help lists them from here. */
export const sideKeys: Record<string, Side | undefined> = { f: 'left', j: 'right' };

export const answerKeys: Record<string, Zone | undefined> = {
  l: 'late',
  d: 'did_not_give',
  ArrowUp: 'evaded_up',
  ArrowDown: 'evaded_down',
  ArrowRight: 'evaded_out',
  ArrowLeft: 'evaded_behind',
  Escape: 'off',
};

export const keyHelp: [string, string][] = [
  ['Hold F', 'ask on the left; let go when the horse gives'],
  ['Hold J', 'ask on the right; let go when the horse gives'],
  ['while holding: L', 'late'],
  ['while holding: D', 'did not give'],
  ['while holding: ↑ ↓ → ←', 'evaded: up, down, out, behind'],
  ['while holding: Esc', 'not an ask'],
  ['U', 'undo the last ask'],
  ['+ and −', 'more or less hand'],
  ['?', 'these keys'],
];
