import { describe, expect, it } from 'vitest';
import { figure } from '../src/draw/rails';
import { clock, clockIn, dayIn, daysBetween, saidDay, shortDay } from '../src/base/words/days';
import { pronouns } from '../src/base/words/horse';
import { count, howSure, percent } from '../src/base/words/plain';

describe('days', () => {
  it('are said as people say them', () => {
    expect(saidDay('2026-05-04', '2026-05-04')).toBe('today');
    expect(saidDay('2026-05-03', '2026-05-04')).toBe('yesterday');
    expect(saidDay('2026-04-29', '2026-05-04')).toBe('Wednesday');
    expect(saidDay('2025-05-20', '2026-05-04')).toBe('May 20, 2025');
    expect(saidDay('2026-04-27', '2026-05-04')).toBe('Apr 27');
    expect(shortDay('2026-01-01')).toBe('Jan 1');
  });

  it('are counted over a change of clocks', () => {
    expect(daysBetween('2026-03-07', '2026-03-09')).toBe(2);
  });

  it('belong to the barn, not to the device', () => {
    const lateEvening = new Date('2026-05-05T04:30:00Z');
    expect(dayIn('America/Denver', lateEvening)).toBe('2026-05-04');
    expect(dayIn('Europe/Berlin', lateEvening)).toBe('2026-05-05');
  });

  it('start at a plain hour', () => {
    expect(clock('07:30:00').replace(/\s/, ' ')).toBe('7:30 AM');
    expect(clock('13:30:00').replace(/\s/, ' ')).toBe('1:30 PM');
    expect(clockIn('America/Denver', '2026-05-05T19:05:00Z').replace(/\s/, ' ')).toBe('1:05 PM');
  });
});

describe('words', () => {
  it('know one from many, he from she, and sure from chance', () => {
    expect([count(1, 'ask'), count(0, 'ask'), count(1204, 'entry', 'entries')]).toEqual([
      '1 ask',
      '0 asks',
      '1,204 entries',
    ]);
    expect(pronouns('mare')).toEqual({ he: 'she', him: 'her' });
    expect(pronouns('gelding').him).toBe('him');
    expect(pronouns(null).he).toBe('the horse');
    expect([howSure(0.049), howSure(0.05)]).toEqual(['very likely real', 'may be chance']);
  });
});

describe('figures', () => {
  it('never look better than they are', () => {
    expect(percent(0.7999)).toBe('79%');
    expect(percent(0.8)).toBe('80%');
    expect(figure('difference', 0.151)).toBe('16');
    expect(figure('time_ratio', 1.51)).toBe('1.6');
    expect(figure('time_ratio', 1.5)).toBe('1.5');
    expect(figure('soft_share', null)).toBe('–');
  });
});
