import { describe, expect, test } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { newsOf } from '../src/barn/board/news';
import { differ } from '../src/horse/compare/differ';
import { lately } from '../src/draw/firstAsks';
import { helpInWords, helpOf } from '../src/draw/help';
import { inLines, layOut, type DrawnLevel } from '../src/draw/ladderLayout';
import { change, hatchGap, points, zonesAt } from '../src/draw/softMap';
import { rustyOf, underWay } from '../src/data/levelsOfHorse';
import type { HorsePage } from '../src/data/horse';
import { sidesInFigures, sidesInWords } from '../src/horse/page/sidesInWords';
import { touches } from '../src/data/keys';
import { toggled } from '../src/ride/page/toggled';
import { dayAfter, spans } from '../src/base/words/days';
import { saidState } from '../src/base/words/states';

const brief = (track: string, skill: string, rung: string) =>
  ({ track, skill, rung, name: `${skill} ${rung}` }) as Schemas['LevelBrief'];

describe('the ladder as it is laid out', () => {
  const levels: DrawnLevel[] = [
    { level: brief('start', 'start.brake', 'stand'), needs: [] },
    { level: brief('bend', 'bend.flex', 'stand'), needs: [[0]] },
    { level: brief('start', 'start.brake', 'walk'), needs: [[0]] },
    { level: brief('start', 'start.forward', 'walk'), needs: [[0]] },
  ];
  const tracks = ['start', 'bend', 'trail'].map((id) => ({ id, name: id }));
  const { columns, at, ground } = layOut(levels, tracks, 600);

  test('tracks without a level are left out; every level has one place', () => {
    expect(columns.map(({ track }) => track)).toEqual(['start', 'bend']);
    expect([...at.keys()].sort()).toEqual([0, 1, 2, 3]);
  });

  test('rungs go up from the ground, skill by skill, with a gap between', () => {
    const y = (place: number) => at.get(place)!.y;
    expect(y(0)).toBeLessThan(ground);
    expect(y(2)).toBeLessThan(y(0));
    expect(y(3)).toBeLessThan(y(2));
    expect(y(2) - y(3)).toBeGreaterThan(y(0) - y(2));
    expect(y(1)).toBe(y(0));
  });

  test('names are broken between words', () => {
    expect(inLines('Ground and first rides', 11)).toEqual(['Ground and', 'first rides']);
  });
});

describe('the soft map', () => {
  const zone = (gait: string, soft: number, asked: number, before: [number, number]) =>
    ({
      zone: 'ribs',
      side: 'left',
      gait,
      now: { soft, asked },
      before: { soft: before[0], asked: before[1] },
    }) as Schemas['MapZone'];
  const map = [zone('walk', 8, 10, [5, 10]), zone('jog', 2, 10, [0, 0])];

  test('gaits are added up, or looked at alone', () => {
    expect(zonesAt(map, null)[0]).toMatchObject({
      now: { soft: 10, asked: 20 },
      before: { soft: 5, asked: 10 },
    });
    expect(zonesAt(map, 'walk')[0]!.now).toEqual({ soft: 8, asked: 10 });
    expect(zonesAt(map, 'lope')).toEqual([]);
  });

  test('the change is said with its own shape, and nothing is made of nothing', () => {
    expect(points(zonesAt(map, 'walk')[0]!)).toBe(30);
    expect(change(zonesAt(map, 'walk')[0]!)).toBe('▲ up 30, 10 asks');
    expect(points(zonesAt(map, 'jog')[0]!)).toBeNull();
    expect(change(zonesAt(map, 'jog')[0]!)).toBe('new, 10 asks');
    expect(change(zonesAt(map, null)[0]!)).toBe('= as before, 20 asks');
  });

  test('the softer, the denser', () => expect(hatchGap(1)).toBeLessThan(hatchGap(0.5)));
});

describe('the verdict board', () => {
  const level = (
    state: string,
    last: string | null,
    held: string | null,
    underWay: boolean,
    verdict = 'stay',
  ) =>
    ({
      level: brief('bend', state, 'walk'),
      state,
      verdict,
      last_asked: last,
      held_since: held,
      counts_as_held: held !== null && state !== 'eased',
      under_way: underWay,
      sides: [],
      needs: [],
    }) as unknown as Schemas['HorseLevel'];
  const all = [
    level('working', '2026-05-20', null, true),
    level('working', '2026-01-20', null, false),
    level('held', '2026-05-20', '2026-05-01', false),
    level('overruled', '2026-05-21', '2026-05-01', false),
    level('eased', '2026-05-22', '2026-05-01', true, 'ease_back'),
    level('rusty', '2026-02-01', '2026-02-01', false),
    level('closed', null, null, false),
  ];

  test('shows what is under way, latest first; what counts as held is not', () => {
    expect(underWay(all, 'bend').map(({ place }) => place)).toEqual([4, 0]);
    expect(underWay(all, 'stop')).toEqual([]);
    expect(rustyOf(all, 'bend').map(({ place }) => place)).toEqual([5]);
  });

  test('a comparison shows the levels that differ', () => {
    const page = (levels: Schemas['HorseLevel'][]) => ({ levels }) as HorsePage;
    const [working, old, held] = all as [(typeof all)[0], (typeof all)[0], (typeof all)[0]];
    expect(differ(page([working, held]), page([old, held]))).toEqual([]);
    const pairs = differ(
      page([held]),
      page([{ ...held, state: 'rusty' }, level('closed', null, null, false)]),
    );
    expect(pairs.map(({ one, other }) => [one?.state, other?.state])).toEqual([
      ['held', 'rusty'],
      [undefined, 'closed'],
    ]);
  });
});

test('the barn news: ready, stuck, stiff side not worked, rusty', () => {
  const horse = { horse_id: 'a', name: 'Fig' } as Schemas['Horse'];
  const under = { name: 'Flexes', stuck_days: 40, level: { skill: 's', rung: 'r' } };
  const found = newsOf([
    {
      horse,
      ready: [brief('bend', 'bend.flex', 'stand')],
      rusty: [brief('stop', 'a', 'b'), brief('stop', 'c', 'd')],
      stiff_side: { side: 'left', asked: 3, other_asked: 9, neglected: true },
      tracks: [
        { under_way: under },
        { under_way: null },
        { under_way: { ...under, stuck_days: null } },
      ],
    } as unknown as Schemas['BoardHorse'],
  ]);
  expect(found.ready.map(({ text }) => text)).toEqual(['bend.flex stand']);
  expect(found.stuck.map(({ text }) => text)).toEqual(['Flexes, 40 days']);
  expect(found.notWorked.map(({ text }) => text)).toEqual([
    'the left: 3 asks in a week, 9 on the other',
  ]);
  expect(found.rusty.map(({ text }) => text)).toEqual(['2 levels, c d among them']);
});

test('evenness says how far apart the sides are', () => {
  const sides = (over: Partial<Schemas['LevelSides']>) =>
    ({
      evenness: {
        difference: 0.3,
        lower_side: 'right',
        time_ratio: 1.8,
        symmetry_index_pct: -57,
        p: 0.001,
      },
      low: 0.1,
      high: 0.5,
      ...over,
    }) as Schemas['LevelSides'];
  expect(sidesInWords(sides({}))).toBe(
    'The right lags by 30 points. The right takes 1.8 times as long.',
  );
  expect(sidesInFigures(sides({}))).toBe(
    'Left less right: 30 points (90% interval 10 to 50). Time to give, log-rank test: p below 0.01.',
  );
  expect(sidesInWords(sides({ evenness: { difference: -0.1, lower_side: 'left' } }))).toBe(
    'The left lags by 10 points.',
  );
  expect(sidesInWords(sides({ evenness: { difference: 0 } }))).toBe('Even.');
});

test('seasons are told in spans of days', () => {
  expect(spans(['2026-04-01', '2026-04-03', '2026-04-05', '2026-04-24'])).toEqual([
    ['2026-04-01', '2026-04-05'],
    ['2026-04-24', '2026-04-24'],
  ]);
});

test('first asks are counted over the last days of a side', () => {
  const ask = (day: string, side: 'left' | 'right', soft: boolean) => ({
    repId: day,
    day,
    side,
    soft,
  });
  const asks = [
    ask('2026-04-01', 'left', true),
    ask('2026-04-02', 'right', false),
    ask('2026-04-03', 'left', false),
    ask('2026-04-04', 'left', true),
  ];
  expect(lately(asks, 'left', 2)).toEqual({ soft: 1, of: 2 });
  expect(lately(asks, 'right', 3)).toEqual({ soft: 0, of: 1 });
});

test('a change of one horse fetches what shows it, and no more', () => {
  const [a, b] = ['01890000-0000-7000-8000-00000000000a', '01890000-0000-7000-8000-00000000000b'];
  expect(touches(['horse', a, 'page', 'today'], a)).toBe(true);
  expect(touches(['horse', a, 'page', 'today'], b)).toBe(false);
  expect(touches(['level', b, { skill: 's' }], a)).toBe(false);
  expect(touches(['ride', b], a)).toBe(true);
  expect(touches(['today'], a)).toBe(true);
  expect(touches(['ladder'], a)).toBe(false);
  expect(touches(['session'], a)).toBe(false);
});

test('a chip is put on and taken off', () => {
  const chip = { skill: 's', rung: 'r', fault: 'f' };
  expect(toggled([], chip)).toEqual([chip]);
  expect(toggled([{ ...chip }], chip)).toEqual([]);
});

test("the day after, over a month's end; a trainer's call says which way", () => {
  expect(dayAfter('2026-02-28')).toBe('2026-03-01');
  expect(dayAfter('2026-03-01', -28)).toBe('2026-02-01');
  expect(saidState('overruled', true)).toBe("held, trainer's call");
  expect(saidState('overruled', false)).toBe("kept back, trainer's call");
  expect(saidState('rusty', true)).toBe('rusty');
});

test('help needed is counted ride by ride, and said which way it goes', () => {
  const strip = (day: string, help: (string | null)[]) => ({
    ride_id: day,
    day,
    in_window: true,
    reps: help.map((one) => ({ measure: { kind: 'circle', help: one } })),
  });
  const rides = helpOf([
    strip('2026-04-01', ['mostly_hand', 'mostly_hand']),
    strip('2026-04-03', [null]),
    strip('2026-04-05', ['even', 'mostly_leg']),
  ] as unknown as Schemas['Strip'][]);
  expect(rides.map(({ day }) => day)).toEqual(['2026-04-01', '2026-04-05']);
  expect(helpInWords(rides)).toBe(
    'Mostly leg on 50% of the last answers, 0% of the first: more leg and less hand now.',
  );
  expect(helpInWords(rides.slice(0, 1))).toContain('too soon to say');
});
