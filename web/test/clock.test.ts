import { describe, expect, it } from 'vitest';
import {
  longestSleepMs,
  PageClock,
  passed,
  passedWithoutPage,
  RideClock,
} from '../src/outbox/clock';

const minute = 60_000;
const year = 365 * 86_400_000;

/** A device whose two clocks a test moves. */
function device(wall = Date.parse('2026-05-04T15:00:00Z')) {
  const at = { wall, steady: 1_000 };
  return {
    at,
    clock: new RideClock(new PageClock({ wall: () => at.wall, steady: () => at.steady })),
    go: (ms: number) => {
      at.wall += ms;
      at.steady += ms;
    },
  };
}

describe('the time of a ride', () => {
  it.each([
    ['time passes', 5 * minute, 5 * minute, { ms: 5 * minute, setForwardMs: 0 }],
    ['clocks run a little apart', minute, minute + 900, { ms: minute, setForwardMs: 0 }],
    ['the device sleeps', minute, 31 * minute, { ms: 31 * minute, setForwardMs: 0 }],
    ['set a year forward', minute, year, { ms: minute, setForwardMs: year - minute }],
    ['set ten minutes back', minute, -9 * minute, { ms: minute, setForwardMs: -10 * minute }],
    [
      'set just past a long sleep',
      0,
      longestSleepMs + 1,
      { ms: 0, setForwardMs: longestSleepMs + 1 },
    ],
  ])('knows what passed when %s', (_, steady, wall, expected) => {
    expect(passed(steady, wall)).toEqual(expected);
  });

  it('takes the wall clock at its word over a page that was gone, but not for a year', () => {
    expect(passedWithoutPage(20 * minute)).toEqual({ ms: 20 * minute, setForwardMs: 0 });
    expect(passedWithoutPage(year)).toEqual({ ms: 0, setForwardMs: year });
    expect(passedWithoutPage(-year)).toEqual({ ms: 0, setForwardMs: -year });
  });

  it('counts from the first ask, also one that began a while ago', () => {
    const { clock, go, at } = device();
    clock.begin('ride', 2_000);
    const time = { lastMs: -1, lastWall: at.wall };
    expect(clock.after('ride', time, 2_000).ms).toBe(0);
    go(minute);
    expect(clock.after('ride', { ...time, lastMs: 0 }).ms).toBe(minute + 2_000);
  });

  it('runs on through a clock set back and forth, and says by how much', () => {
    const { clock, go, at } = device();
    clock.begin('ride');
    const time = { lastMs: 0, lastWall: at.wall };
    go(minute);
    at.wall -= year;
    const back = clock.after('ride', time);
    expect(back.ms).toBe(minute);
    expect(back.setForwardS).toBeCloseTo(-year / 1000, 0);
    go(minute);
    at.wall += year;
    const forth = clock.after('ride', { ...time, lastMs: back.ms });
    expect(forth.ms).toBe(2 * minute);
    expect(back.setForwardS + forth.setForwardS).toBeCloseTo(0, 0);
  });

  it('goes on over a page that was gone', () => {
    const first = device();
    first.clock.begin('ride');
    const later = device(first.at.wall + 7 * minute);
    const time = { lastMs: 3 * minute, lastWall: first.at.wall };
    expect(later.clock.after('ride', time).ms).toBe(10 * minute);
  });

  it('never goes back behind what happened last, unless something is told late', () => {
    const { clock } = device();
    clock.begin('ride');
    const time = { lastMs: 5 * minute, lastWall: 0 };
    expect(clock.after('ride', time).ms).toBe(5 * minute + 1);
    expect(clock.after('ride', time, 0, 0).ms).toBe(0);
  });
});
