import type { Side, Zone } from './hold';

/**
 * The recorder's keys, for a laptop on the rail; the help lists them from here. They
 * are told by what they type, whatever Caps Lock or Shift does to it.
 */
const sideKeys: Record<string, Side | undefined> = { f: 'left', j: 'right' };

const answerKeys: Record<string, Zone | undefined> = {
  l: 'late',
  d: 'did_not_give',
  arrowup: 'evaded_up',
  arrowdown: 'evaded_down',
  arrowright: 'evaded_out',
  arrowleft: 'evaded_behind',
  escape: 'off',
};

type Key = Pick<KeyboardEvent, 'key'>;

export const sideOfKey = ({ key }: Key) => sideKeys[key.toLowerCase()];
export const answerOfKey = ({ key }: Key) => answerKeys[key.toLowerCase()];

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
