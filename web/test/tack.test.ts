import { afterEach, describe, expect, it } from 'vitest';
import { draftOf, partsOf, readDraft } from '../src/tack/gearDraft';
import { curbInput, readBench, snaffleInput, usualBench, writeBench } from '../src/tack/bench';
import { mouthLine, reach } from '../src/draw/tackShape';
import { rigKind, short } from '../src/ride/recorder/rigNamed';
import { forceInWords, inchesInWords, inchesOf, inchesTyped } from '../src/base/words/inches';
import { speakIn } from '../src/base/words/unitSetting';
import type { Piece } from '../src/data/yard';

afterEach(() => speakIn('us'));

describe('lengths of tack', () => {
  it.each([
    [4.5, '4 1/2'],
    [0.4375, '7/16'],
    [3, '3'],
    [0.625, '5/8'],
    [-0.5, '-1/2'],
    [-2.25, '-2 1/4'],
    [2.77, '2.77'],
    [0, '0'],
  ])('%d in is said %s', (inches, said) => expect(inchesTyped(inches)).toBe(said));

  it.each([
    ['4 1/2', 4.5],
    ['4.5', 4.5],
    ['4,5', 4.5],
    ['9/2', 4.5],
    [' 7/16 ', 0.4375],
    ['.5', 0.5],
    ['seven', null],
    ['1/0', null],
    ['', null],
    ['4 1', null],
    ['-3', null],
  ])('%s is read as %s', (typed, inches) => expect(inchesOf(typed)).toBe(inches));

  it('every sixteenth comes back as it was', () => {
    for (let sixteenth = 0; sixteenth < 16 * 9; sixteenth++)
      expect(inchesOf(inchesTyped(sixteenth / 16))).toBe(sixteenth / 16);
  });

  it('a metric barn types and reads millimeters, and newtons', () => {
    speakIn('metric');
    expect(inchesInWords(5)).toBe('127 mm');
    expect(inchesOf('127')).toBeCloseTo(5, 6);
    expect(forceInWords(2)).toBe('9 N');
  });
});

describe('a piece as it is typed', () => {
  const sheet = {
    name: 'Short',
    kind: 'shank' as const,
    note: '',
    measures: {
      mouthpiece: 'ported' as const,
      port_in: 0.75,
      purchase_in: 1.5,
      shank_in: 3.25,
      cheek: 'loose_shank' as const,
      curb: 'strap' as const,
      curb_flat: true,
      weight_oz: 14,
    },
    quiet_hands: true,
    most_hand: 'fingertip' as const,
  };

  it('is saved as it was', () => {
    const { sheet: again, wrong } = readDraft(draftOf(sheet));
    expect(again).toEqual(sheet);
    expect(wrong).toEqual({});
  });

  it('has only what its kind has', () => {
    const bosal = { ...draftOf(sheet), kind: 'bosal' as const, typed: { bosal_in: '5/8' } };
    expect([...partsOf(bosal)]).toEqual(['bosal']);
    expect(readDraft(bosal).sheet.measures).toEqual({ bosal_in: 0.625, weight_oz: 14 });
  });

  it('says which length cannot be read', () => {
    const draft = { ...draftOf(sheet), typed: { purchase_in: 'about two' }, weight: 'light' };
    expect(Object.keys(readDraft(draft).wrong)).toEqual(['purchase_in', 'weight_oz']);
  });
});

describe('the bench', () => {
  const piece = {
    gear_id: 'g',
    measures: { purchase_in: 1.5, shank_in: 4.5, mouth_in: 5 },
  } as Piece;

  it('comes back from its address as it was, and never out of bounds', () => {
    const bench = { ...usualBench, turn: 44, hole: -2, pull: 6.5 };
    const search = writeBench(bench, 'one', 'two');
    expect(search.toString()).toBe('bit=one&with=two&pull=6.5&turn=44&hole=-2');
    expect(readBench(search)).toEqual(bench);
    expect(writeBench(usualBench, '', '').toString()).toBe('');
    const wild = readBench(new URLSearchParams('turn=900&pull=-4&jaw=x&hole=99'));
    expect([wild.turn, wild.pull, wild.jaw, wild.hole]).toEqual([80, 0, 2, 6]);
  });

  it('asks the core about the bit as it lies there', () => {
    const bench = { ...usualBench, hole: 2 };
    expect(curbInput(piece, bench, null).strap).toBeUndefined();
    // A hole is half an inch of strap, a quarter of its half.
    expect(curbInput(piece, bench, 3).strap).toEqual({
      half_length_in: 3.5,
      hole_spacing_in: 0.5,
      holes_shorter: 8,
      holes_longer: 4,
    });
    expect(snaffleInput(piece, bench).snaffle).toEqual({ mouthpiece_in: 5, mouth_in: 4.75 });
  });
});

describe('drawn to scale', () => {
  it('a port is as high as it was measured, a bit as wide', () => {
    const line = mouthLine({ mouthpiece: 'ported', mouth_in: 6, bar_in: 0.5, port_in: 2 });
    const numbers = line.match(/-?\d+(\.\d+)?/g)!.map(Number);
    expect(Math.min(...numbers.filter((_, index) => index % 2 === 0))).toBe(-3);
    // The middle of the bar runs half a bar below the top of the port.
    expect(Math.min(...numbers)).toBe(-3);
    expect(numbers).toContain(-1.75);
  });

  it('all of a piece is inside its picture', () => {
    const shank = { cheek: 'loose_shank' as const, purchase_in: 2, shank_in: 6, mouth_in: 5 };
    const { left, top, width, height } = reach('shank', shank);
    expect(left).toBeLessThan(-2.5);
    expect(left + width).toBeGreaterThan(2.5);
    expect(top).toBeLessThan(-2);
    expect(top + height).toBeGreaterThan(6);
    const ring = reach('snaffle', { ring_in: 4, mouth_in: 5 });
    expect(ring.left).toBeLessThanOrEqual(-2.5 - 4);
    expect(ring.top + ring.height).toBeGreaterThan(2);
  });
});

describe('a rig', () => {
  it('is made by headgear only', () => {
    expect(rigKind('two_rein')).toBe('two_rein');
    expect(rigKind('saddle')).toBeUndefined();
  });

  it('keeps as much of a name as a ride does', () => {
    expect(short('x'.repeat(39) + ' tail')).toBe('x'.repeat(39));
  });
});
