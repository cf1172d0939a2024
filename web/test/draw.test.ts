import { describe, expect, it } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { rails } from '../src/draw/rails';
import { distanceScale, repInWords, stripInWords, type DrawnRep } from '../src/draw/rein';
import { runs } from '../src/draw/VerdictRuns';

const rep = (side: 'left' | 'right', soft: boolean | undefined): DrawnRep => ({
  repId: `${side} ${soft}`,
  side,
  measure: { kind: 'give', hand: 'fingertip', time_s: 1.2, answer: 'gave' },
  soft,
  firstAsk: false,
});

describe('the rein strip', () => {
  it('puts a slower answer further from the line, and never off the paper', () => {
    const away = distanceScale(60);
    expect(away(0.5)).toBeLessThan(away(1));
    expect(away(1) - away(0.5)).toBeCloseTo(away(2) - away(1));
    expect(away(0)).toBe(9);
    expect(away(100)).toBe(51);
  });

  it('says in words what it draws', () => {
    expect(stripInWords([rep('left', true), rep('left', false), rep('right', true)])).toBe(
      'Rein strip: left 1 of 2 soft, right 1 of 1 soft',
    );
    expect(repInWords(rep('left', undefined))).toBe(
      'Left, gave after 1.2 s, fingertip: not judged yet',
    );
  });
});

describe('the gate', () => {
  const item = (kind: Schemas['ItemKind'], side: 'left' | 'right' | null): Schemas['Item'] => ({
    item: kind,
    side,
    needed: 2,
    found: 1,
    filled: 0.5,
    passes: false,
  });

  it('has a rail with two halves for each side item and whole rails below', () => {
    const drawn = rails(
      [item('difference', null), item('first_ask', 'left'), item('first_ask', 'right')],
      3,
    );
    expect(drawn.map((rail) => [rail.kind, rail.halves.length])).toEqual([
      ['first_ask', 2],
      ['difference', 1],
    ]);
    expect(drawn[0]?.label).toBe('First ask soft: 2 of 3 days');
  });
});

describe('the way here', () => {
  it('joins days with one verdict', () => {
    const day = (date: string, verdict: Schemas['Verdict']): Schemas['DayVerdict'] => ({
      day: date,
      verdict,
      passes: false,
      rails: 12,
      rails_filled: 6,
    });
    const found = runs([day('1', 'stay'), day('2', 'stay'), day('3', 'confirm'), day('4', 'stay')]);
    expect(found.map((run) => run.map((d) => d.day))).toEqual([['1', '2'], ['3'], ['4']]);
  });
});
