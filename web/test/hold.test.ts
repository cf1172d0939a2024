import { describe, expect, it } from 'vitest';
import { elapsedS, press, release, slide } from '../src/ride/recorder/hold';

describe('the hold', () => {
  it('is the time from press to release, when the horse gave', () => {
    expect(release(press('rep', 'left', 1000), 2234)).toEqual({
      repId: 'rep',
      side: 'left',
      pressedAt: 1000,
      time_s: 1.23,
      answer: 'gave',
    });
  });

  it('ends where the thumb leaves the half; the slide itself does not count', () => {
    const slid = slide(press('rep', 'right', 0), 'did_not_give', 3000);
    expect(elapsedS(slid, 9000)).toBe(3);
    expect(release(slid, 9000)).toMatchObject({ time_s: 3, answer: 'did_not_give' });
  });

  it('keeps the moment of leaving when the thumb wanders between answers', () => {
    const wandering = slide(slide(press('rep', 'left', 0), 'late', 2000), 'evaded_up', 2500);
    expect(release(wandering, 2600)).toMatchObject({ time_s: 2, answer: 'evaded_up' });
  });

  it('goes on when the thumb comes back to the half', () => {
    const back = slide(slide(press('rep', 'left', 0), 'late', 1000), 'half', 1500);
    expect(release(back, 2000)).toMatchObject({ time_s: 2, answer: 'gave' });
  });

  it('is no ask when slid off the halves or only a brush', () => {
    expect(release(slide(press('rep', 'left', 0), 'off', 500), 600)).toBeNull();
    expect(release(press('rep', 'left', 0), 90)).toBeNull();
    expect(release(press('rep', 'left', 0), 110)).not.toBeNull();
  });

  it('never runs backwards', () => {
    expect(elapsedS(press('rep', 'left', 1000), 900)).toBe(0);
  });
});
