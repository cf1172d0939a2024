import { describe, expect, it } from 'vitest';
import { freshTimes, type TimedRun } from '../src/ground/freshTimes';
import { filmClock, frameOf, intoFrame, tiedTo } from '../src/ride/tape/film';
import { FilmTime } from '../src/ride/tape/FilmTime';
import { endOf, instantOf, secondsOfDay } from '../src/base/words/instant';
import {
  markInWords,
  nextBarrel,
  withKnown,
  withMark,
  withTrack,
  type Mark,
  type TapeMark,
} from '../src/ride/tape/marks';
import { slotOf } from '../src/ride/tape/slots';
import { moved, nearer, spotOf, whole } from '../src/ride/tape/zoom';

const mark = (at_s: number, what: Mark, film = 0): TapeMark => ({ film, at_s, mark: what });
const spot = (barrel: number, spot: number): Mark => ({ kind: 'spot', barrel, spot });

describe('a frame', () => {
  it('is that of a camera where it is near one, else what was measured', () => {
    expect(frameOf(0.04)).toBe(0.04);
    // A file that counts in thousandths says 33 or 34 for a thirtieth.
    expect(1 / frameOf(0.033367)).toBeCloseTo(29.97, 2);
    expect(frameOf(0.0417)).toBe(0.0417);
  });

  it('is stepped to by its middle, so that rounding never shows a neighbor', () => {
    for (const frame of [0, 1, 100, 12_345])
      expect(Math.floor(intoFrame(frame * 0.04, 0.04) / 0.04)).toBe(frame);
  });

  it('that was asked for and is not on yet is where the next step begins', () => {
    const time = new FilmTime();
    time.show(1, 4);
    time.want(4.04);
    expect([time.now(), time.from()]).toEqual([4, 4.04]);
    // Another one comes on first.
    time.show(2, 3.96);
    expect(time.from()).toBe(4.04);
    time.show(3, 4.04);
    time.show(4, 4.08);
    expect(time.from()).toBe(4.08);
    time.want(9);
    time.want(null);
    expect(time.from()).toBe(4.08);
  });

  it('is told by the moment it was on the screen, not by the one that is on now', () => {
    const time = new FilmTime();
    expect(time.at(5)).toBe(0);
    for (const [at, filmS] of [
      [100, 0.04],
      [140, 0.08],
      [180, 0.12],
    ] as const)
      time.show(at, filmS);
    expect(time.now()).toBe(0.12);
    expect(time.at(139)).toBe(0.04);
    expect(time.at(140)).toBe(0.08);
    expect(time.at(9_000)).toBe(0.12);
    expect(time.at(1)).toBe(0.04);
  });

  it('is announced to whoever looks on, once', () => {
    const time = new FilmTime();
    let told = 0;
    const stop = time.subscribe(() => (told += 1));
    time.show(1, 0.04);
    time.show(2, 0.04);
    expect(told).toBe(1);
    stop();
    time.show(3, 0.08);
    expect(told).toBe(1);
  });
});

describe('marks', () => {
  it('stand once where there is one of them, and as often as they come where there are many', () => {
    let marks = withMark([], mark(1, { kind: 'line_in' }));
    marks = withMark(marks, mark(2, { kind: 'line_in' }));
    expect(marks).toEqual([mark(2, { kind: 'line_in' })]);
    for (const at of [1, 1.4, 1.4]) marks = withMark(marks, mark(at, { kind: 'hoof_beat' }));
    expect(marks).toHaveLength(3);
    marks = withMark(marks, mark(3, spot(1, 2)));
    marks = withMark(marks, mark(3, spot(2, 2)));
    expect(marks).toHaveLength(5);
  });

  it('go on to the next barrel after the third spot', () => {
    expect(nextBarrel([])).toBe(1);
    expect(nextBarrel([mark(1, spot(1, 1)), mark(2, spot(1, 2))])).toBe(1);
    expect(nextBarrel([mark(3, spot(1, 3))])).toBe(2);
    expect(nextBarrel([1, 2, 3].map((one) => mark(one, spot(one, 3))))).toBe(3);
  });

  it('are said in words', () => {
    expect(markInWords(spot(2, 3))).toBe('Barrel 2, out');
    expect(markInWords({ kind: 'hoof_beat' })).toBe('Hoof beat');
  });

  it('of the ground and the feet are moved when they are placed again', () => {
    const at = (seen: number[]) => ({ film: 0, name: 'Barrel 1', seen, ground: [0, 0] });
    expect(withKnown(withKnown([], at([1, 1])), at([2, 2]))).toEqual([at([2, 2])]);
    const feet = (at_s: number, x: number) => ({ film: 0, at_s, seen: [x, 0] });
    const track = withTrack(withTrack(withTrack([], feet(2, 1)), feet(1, 1)), feet(2, 9));
    expect(track).toEqual([feet(1, 1), feet(2, 9)]);
  });
});

describe('films', () => {
  const film = (length_s: number, name = 'a.webm') => ({
    name,
    length_s,
    frame_s: 0.04,
    width_px: 640,
    height_px: 360,
  });

  it('that were marked before take their place again, whatever they are called now', () => {
    expect(slotOf([], [false, false], film(10))).toBe(0);
    expect(slotOf([film(10)], [true, false], film(12))).toBe(1);
    expect(slotOf([film(10), film(12)], [false, false], film(12, 'renamed.webm'))).toBe(1);
    expect(slotOf([film(10), film(12)], [true, true], film(14))).toBeNull();
    // Twice the same film beside itself is a second one.
    expect(slotOf([film(10)], [true, false], film(10))).toBe(1);
  });

  it('that are tied show the same moment', () => {
    const tie = { first_s: 12, second_s: 9 };
    expect(tiedTo(12, tie)).toBe(9);
    expect(tiedTo(20, tie)).toBe(17);
  });

  it('are read as minutes, seconds and hundredths', () => {
    expect(filmClock(62.48)).toBe('1:02.48');
    expect(filmClock(0)).toBe('0:00.00');
  });

  it('are brought nearer about the spot under the hand, and never leave the frame', () => {
    const at = { x: 0.25, y: 0.75 };
    const near = nearer(whole, 3, at);
    const film = spotOf(near, at);
    expect(film.x).toBeCloseTo(0.25);
    expect(film.y).toBeCloseTo(0.75);
    expect(nearer(near, 1 / 9, at)).toEqual(whole);
    expect(moved(near, 5, 5)).toMatchObject({ x: 0, y: 0 });
    expect(moved(near, -5, -5)).toMatchObject({ x: 1 - near.by, y: 1 - near.by });
  });
});

describe('when a film was made', () => {
  it('is read from a time of day', () => {
    expect(secondsOfDay('13:05')).toBe(13 * 3600 + 300);
    expect(secondsOfDay('13:05:20')).toBe(13 * 3600 + 320);
    for (const wrong of ['', '25:00', '7', '10:61', 'noon']) expect(secondsOfDay(wrong)).toBeNull();
  });

  it('is a moment where the barn is, also on the days the clocks change', () => {
    const zone = 'America/Denver';
    const at = (day: string, hour: number) => instantOf(zone, day, hour * 3600).toISOString();
    expect(at('2026-01-15', 9)).toBe('2026-01-15T16:00:00.000Z');
    expect(at('2026-07-15', 9)).toBe('2026-07-15T15:00:00.000Z');
    // Clocks go forward at 2 on March 8 and back at 2 on November 1 (US, since 2007).
    expect(at('2026-03-08', 9)).toBe('2026-03-08T15:00:00.000Z');
    expect(at('2026-03-08', 1)).toBe('2026-03-08T08:00:00.000Z');
    expect(at('2026-11-01', 9)).toBe('2026-11-01T16:00:00.000Z');
    expect(at('2026-11-01', 0.5)).toBe('2026-11-01T06:30:00.000Z');
  });

  it('is noon of a day before, and now today', () => {
    expect(endOf('America/Denver', '2026-01-15').toISOString()).toBe('2026-01-15T19:00:00.000Z');
    expect(Math.abs(endOf('UTC', '2999-01-01').getTime() - Date.now())).toBeLessThan(1_000);
  });
});

describe('times of the eyes', () => {
  const now = Date.parse('2026-05-04T16:00:00Z');
  const time = (id: string, minutesAgo: number, taken = false): TimedRun => ({
    timed_id: id,
    eyes: 'Timing eyes',
    at: new Date(now - minutesAgo * 60_000).toISOString(),
    time_s: 17.4,
    faults: [],
    taken,
  });

  it('are offered while they are fresh and no run has them', () => {
    const all = [time('a', 0.2), time('b', 3), time('c', 5, true), time('d', 90)];
    expect(freshTimes(all, now, undefined).map(({ timed_id, ago }) => [timed_id, ago])).toEqual([
      ['a', 'just now'],
      ['b', '3 min ago'],
    ]);
  });

  it('stay in sight once this run has taken one', () => {
    expect(freshTimes([time('c', 5, true)], now, 'c')).toHaveLength(1);
  });
});
