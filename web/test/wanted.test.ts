import { describe, expect, it } from 'vitest';
import type { CardBlock, CardDay } from '../src/data/card';
import { added, dayWith, dropped, inOrder, movedBy, swapped } from '../src/offline/wanted';

const level = (name: string) => ({ skill: name, rung: 'walk' });

const block = (part: CardBlock['part'], name: string): CardBlock => ({
  part,
  name,
  levels: name ? [{ level: level(name), name }] : [],
  asks: [],
  minutes: 4,
  exercise: '',
  why: '',
  soft: '',
  quit: '',
  if_wrong: '',
  who: '',
  instead: [],
});

const blocks = [
  block('loosen', ''),
  block('review', 'bend.flex'),
  block('work', 'bend.ribs'),
  block('breather', ''),
  block('set_up', ''),
  block('use', 'cow.track'),
  block('finish', 'frame.poll'),
];

const names = (all: CardBlock[]) => all.map(({ part, name }) => name || part);

describe("the rider's own order", () => {
  it('moves a part with what belongs to it', () => {
    const later = movedBy(blocks, 2, 1);
    expect(names(inOrder(blocks, later))).toEqual([
      'loosen',
      'bend.flex',
      'set_up',
      'cow.track',
      'bend.ribs',
      'breather',
      'frame.poll',
    ]);
  });

  it('never moves what comes before, or the end', () => {
    expect(movedBy(blocks, 0, 1)).toBeUndefined();
    expect(movedBy(blocks, 1, -1)).toBeUndefined();
    expect(movedBy(blocks, 5, 1)).toBeUndefined();
    expect(movedBy(blocks, 6, -1)).toBeUndefined();
  });

  it('leaves a part that it does not name where it stands', () => {
    const order = movedBy(blocks, 1, 1);
    const more = [...blocks.slice(0, 1), block('review', 'stop.seat'), ...blocks.slice(1)];
    expect(names(inOrder(more, order)).slice(1, 4)).toEqual(['stop.seat', 'bend.ribs', 'breather']);
    expect(inOrder(blocks, undefined)).toBe(blocks);
  });
});

describe('what a rider wants', () => {
  const known = { planned: [{ level: level('bend.flex'), side: null, text: 'Light.' }] } as unknown;

  it('drops, adds and swaps', () => {
    const swap = swapped({}, level('bend.flex'), level('bend.hip'));
    const day = dayWith(known as CardDay, swap);
    expect(day.without).toEqual([level('bend.flex')]);
    expect(day.planned?.map((one) => one.level)).toEqual([level('bend.hip')]);
    const back = added(dropped(swap, level('bend.hip')), level('bend.flex'));
    expect(dayWith(known as CardDay, back).planned?.map((one) => one.level)).toEqual([
      level('bend.flex'),
      level('bend.flex'),
    ]);
    expect(back.without).toEqual([level('bend.hip')]);
  });

  it('never tells the core of its order', () => {
    expect(dayWith(known as CardDay, { order: ['a'] })).not.toHaveProperty('order');
  });
});
