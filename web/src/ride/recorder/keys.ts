import type { HoldZone, Side } from './faces';
import type { Zone } from './hold';

/**
 * The recorder's keys, for a laptop on the rail; the help lists them from here. They
 * are told by what they type, whatever Caps Lock or Shift does to it.
 */
const sideKeys: Record<string, Side | undefined> = { f: 'left', j: 'right', b: 'both' };

type Key = Pick<KeyboardEvent, 'key'>;

/** The side that a key holds or says, of those that are asked. */
export function sideOfKey({ key }: Key, asked: Side[]): Side | undefined {
  const side = sideKeys[key.toLowerCase()];
  return side && asked.includes(side) ? side : undefined;
}

/** Where a key slides a hold. */
export function zoneOfKey({ key }: Key, zones: HoldZone[]): Zone | undefined {
  const pressed = key.toLowerCase();
  return pressed === 'escape' ? 'off' : zones.find((zone) => zone.key === pressed)?.id;
}

/** The keys of the answers of a face that is tapped: digits for the left or both, letters for the right (U undoes). */
const digits = '1234567890';
const letters = 'qwertyiop';

export function answerKey(side: Side, index: number): string | undefined {
  return (side === 'right' ? letters : digits)[index];
}

export type KeyHelp = [key: string, does: string][];

const arrows: Record<string, string> = {
  arrowup: '↑',
  arrowdown: '↓',
  arrowleft: '←',
  arrowright: '→',
};

/** What the keys of a hold do. */
export const holdKeys = (asked: Side[], zones: HoldZone[]): KeyHelp => [
  ...asked.map((side): [string, string] => [
    `Hold ${side === 'left' ? 'F' : side === 'right' ? 'J' : 'B'}`,
    `ask ${side === 'both' ? 'both' : `on the ${side}`}; let go on the answer`,
  ]),
  ...zones.map(({ key, label }): [string, string] => [
    `while holding: ${arrows[key] ?? key.toUpperCase()}`,
    label.toLowerCase(),
  ]),
  ['while holding: Esc', 'not an ask'],
];

export const commonKeys: KeyHelp = [
  ['U', 'undo the last ask'],
  ['+ and −', 'more or less of the first setting'],
  ['?', 'these keys'],
];
