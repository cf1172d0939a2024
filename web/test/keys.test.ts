import { beforeEach, describe, expect, it, vi } from 'vitest';

const kept = new Map<string, string>();
let dialogs = 0;
vi.stubGlobal('localStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => kept.set(key, value),
  removeItem: (key: string) => kept.delete(key),
});
vi.stubGlobal('document', { querySelector: () => (dialogs > 0 ? {} : null) });
vi.stubGlobal(
  'HTMLElement',
  class {
    constructor(readonly tag: string) {}
    closest = () => (this.tag === 'input' ? this : null);
  },
);
const { answerKey, sideOfKey, zoneOfKey } = await import('../src/ride/recorder/keys');
const { give } = await import('../src/ride/recorder/faces/give');
const { keysAreOff, keysOn, turnKeys } = await import('../src/ride/recorder/keysOn');

const press = {
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  target: null,
  isTrusted: true,
};
const at = (tag: string) => new (HTMLElement as unknown as new (tag: string) => HTMLElement)(tag);

describe('the recorder’s keys', () => {
  beforeEach(() => {
    dialogs = 0;
    turnKeys(true);
  });

  it('mean the same with Caps Lock', () => {
    const sides = ['left', 'right'] as const;
    const side = (key: string) => sideOfKey({ key }, [...sides]);
    expect([side('F'), side('j'), side('b'), side('x')]).toEqual([
      'left',
      'right',
      undefined,
      undefined,
    ]);
    const zone = (key: string) => zoneOfKey({ key }, give.zones);
    expect([zone('D'), zone('ArrowUp')]).toEqual(['did_not_give', 'evaded_up']);
    expect([answerKey('left', 0), answerKey('right', 0)]).toEqual(['1', 'q']);
  });

  it('are meant for the recorder alone', () => {
    expect(keysAreOff(press)).toBe(false);
    expect(keysAreOff({ ...press, ctrlKey: true })).toBe(true);
    expect(keysAreOff({ ...press, target: at('input') })).toBe(true);
    expect(keysAreOff({ ...press, target: at('button') })).toBe(false);
    dialogs = 1;
    expect(keysAreOff(press)).toBe(true);
  });

  it('can be turned off', () => {
    turnKeys(false);
    expect([keysOn(), keysAreOff(press)]).toEqual([false, true]);
    turnKeys(true);
    expect([keysOn(), keysAreOff(press)]).toEqual([true, false]);
  });
});
