import { expect, it } from 'vitest';
import type { KeptHold } from '../src/outbox/db';
import { measureOf } from '../src/outbox/settled';
import { stop } from '../src/ride/recorder/faces/stop';

const held = (change: Partial<KeptHold>): KeptHold => ({
  repId: 'the hold',
  horseId: 'oatcake',
  horseName: 'Oatcake',
  skill: 'stop.seat',
  rung: 'jog',
  levelName: 'Stops off the seat, at the jog',
  side: 'both',
  askedAt: '2026-05-04T15:00:00Z',
  heldS: 1.5,
  page: 'another',
  cutOff: true,
  ...change,
});

it('a give that was cut off keeps its hand and time', () => {
  const measure = { kind: 'give', hand: 'two_fingers', time_s: 0, answer: 'gave' } as const;
  expect(measureOf(held({ measure }), 'did_not_give')).toEqual({
    ...measure,
    time_s: 1.5,
    answer: 'did_not_give',
  });
});

it('a hold from before the faces is a give by the hand it had', () => {
  expect(measureOf(held({ hand: 'feather' }), 'gave')).toEqual({
    kind: 'give',
    hand: 'feather',
    time_s: 1.5,
    answer: 'gave',
  });
});

it('a stop that was cut off is off the bridle after its hold, or never', () => {
  const measure = stop.measure('gave', 0, { cue: 'voice', strides: '2' });
  const found = [
    measureOf(held({ measure }), 'gave'),
    measureOf(held({ measure }), 'did_not_give'),
  ];
  expect(found).toMatchObject([
    { kind: 'stop', cue: 'voice', strides: 2, off_bridle_s: 1.5 },
    { kind: 'stop', cue: 'voice', strides: 2, off_bridle_s: null },
  ]);
});
