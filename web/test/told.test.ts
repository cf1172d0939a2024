import { describe, expect, test, vi } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { gateInWords } from '../src/ladder/gateInWords';
import { cameWith, type Decision } from '../src/horse/outcomes/cameWith';
import { measureInWords } from '../src/base/words/measures';

/** How things are told: decisions, gates, problems, reps. */

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { ProblemError } = await import('../src/base/api/client');
const { inFields } = await import('../src/data/programs');

test('decisions made together are told together, taken back ones apart', () => {
  const decision = (horse: string, day: string, reason: string, withdrawn = false) =>
    ({
      horse: { horse_id: horse },
      overrule: { day, reason, counts_as: 'advance' },
      withdrawn,
    }) as Decision;
  const groups = cameWith([
    decision('a', '2026-04-01', 'Came with it'),
    decision('a', '2026-04-01', 'Came with it'),
    decision('a', '2026-04-01', 'Came with it', true),
    decision('b', '2026-04-01', 'Came with it'),
    decision('a', '2026-04-02', 'Came with it'),
  ]);
  expect(groups.map(({ others }) => others.length)).toEqual([1, 0, 0, 0]);
});

describe('a gate in words', () => {
  const gate = {
    least_count: 0,
    least_reps: 12,
    least_days: 3,
    soft_share: 0.8,
    low_share: 0.7,
    confidence: 0.9,
    first_ask_soft: 2,
    first_ask_days: 3,
    no_miss_reps: 0,
    most_difference: 0.15,
    most_time_ratio: 1.5,
    level_below: true,
    window_rides: 6,
    window_days: 21,
    soft: { most_hand: 'two_fingers' },
  } as Schemas['Gate'];
  const shown = (over: object, level: object, needs: object[] = []) =>
    ({
      gate: { ...gate, ...over },
      level: { skill: 's', rung: 'r', sides: 'each', measure: 'give', longest_soft_s: 2, ...level },
      needs,
    }) as unknown as Schemas['ShownLevel'];

  test('says every rail, and none that asks for nothing', () => {
    expect(gateInWords(shown({}, {}))).toEqual([
      'at least 12 asks on each side on 3 days',
      '80% soft on each side',
      'proven above 70% (90% sure)',
      'first ask soft on 2 of the last 3 days',
      'sides at most 15 points apart',
      'the slower side takes at most 1.5 times as long',
      'soft: within 2 s, two fingers at most, no evasion',
      'looked at: the last 6 rides within 21 days, more when they hold too few asks',
    ]);
    const count = shown(
      {
        least_count: 100,
        least_reps: 0,
        soft_share: 0,
        low_share: 0,
        first_ask_soft: 0,
        most_difference: null,
      },
      { measure: 'count', sides: 'both' },
    );
    expect(gateInWords(count)).toEqual([
      '100 in all',
      'looked at: the last 6 rides within 21 days, more when they hold too few asks',
    ]);
  });

  test('the level below stands there only where there is one', () => {
    const below = [[{ skill: 's', rung: 'lower' }]];
    expect(gateInWords(shown({}, {}, below))).toContain('the level below soft on its last day');
  });
});

test("a problem's fields are said in words where the editor shows them", () => {
  const problem = {
    type: 'x',
    title: 'x',
    status: 422,
    detail: 'x',
    errors: [
      { field: '/content/gates/0/gate/soft_share', detail: 'must be from 0 to 1, found 1.4' },
    ],
  };
  expect(() => inFields(new ProblemError(problem, 422))).toThrow(
    'soft share must be from 0 to 1, found 1.4.',
  );
  const other = new Error('no signal');
  expect(() => inFields(other)).toThrow(other);
});

test('every kind of rep is told in words', () => {
  const give = { kind: 'give', hand: 'fingertip', time_s: 1.2, answer: 'gave' } as const;
  expect(measureInWords({ ...give, mouth: 'frantic', feet: 'stuck', stayed_soft: false })).toBe(
    'gave after 1.2 s, fingertip, chews frantically, feet stuck, hard again after the release',
  );
  expect(
    measureInWords({
      kind: 'circle',
      circles: 2,
      soft_circles: 1,
      nose_ups: 1,
      fell_in: true,
      fell_out: false,
      broke_gait: false,
      help: 'mostly_hand',
    }),
  ).toBe('1 of 2 circles soft, 1 nose-up, fell in, mostly hand');
  expect(
    measureInWords({
      kind: 'carry',
      unit: 'seconds',
      asked: 30,
      carried: 20,
      leaves: 2,
      help: 'even',
    }),
  ).toBe('20 of 30 s, left it 2 times, hand and leg');
});
