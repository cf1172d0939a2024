import { expect, test } from 'vitest';
import { deciding, fenceLayout } from '../src/draw/roadFence';
import type { RoadInput } from '../src/data/road';
import {
  isPlanned,
  planned,
  readWhatIf,
  taken,
  withWhatIf,
  writeWhatIf,
} from '../src/plan/road/whatIf';

const seat = { skill: 'stop.seat', rung: 'walk' };
const poll = { skill: 'frame.poll', rung: 'walk' };

const input: RoadInput = {
  program: { name: '', schools: {}, gates: [] },
  not_to_be_pushed: false,
  with_helps: false,
  road: {
    today: '2026-05-04',
    levels: [],
    goals: [
      { name: 'Sale', day: '2026-08-03', levels: [seat, poll] },
      { name: 'Class', day: '2026-09-07', levels: [poll] },
    ],
    rides_a_week: 4,
    kept: 0.873,
    blocks_a_ride: 3,
    days_off: [],
    pace: [],
    horse: { factor: 1, spread: 0.3 },
    seed: 1,
    futures: 2000,
  },
};

test('as planned nothing of the question changes, nor stands in the address', () => {
  const usual = planned(input);
  expect(writeWhatIf(usual, input).toString()).toBe('');
  expect(isPlanned(usual, input)).toBe(true);
  // The share as it was found, not as it is rounded for the slider.
  expect(withWhatIf(input, usual)).toEqual({ ...input, road: { ...input.road, first: null } });
});

test('what is assumed stands in the address and comes back from it', () => {
  const whatIf = {
    ridesAWeek: 5.5,
    keptPct: 60,
    weeksLater: 3,
    first: 'frame.poll/walk',
    without: ['stop.seat/walk'],
  };
  const search = writeWhatIf(whatIf, input);
  expect(readWhatIf(search, input)).toEqual(whatIf);
  expect(isPlanned(whatIf, input)).toBe(false);
});

test('an address that does not fit is as planned', () => {
  const search = new URLSearchParams(
    'rides=70&kept=x&later=-1&without=stop.seat/moon&without=stop.seat/walk',
  );
  expect(readWhatIf(search, input)).toEqual({ ...planned(input), without: ['stop.seat/walk'] });
});

test('the question with something changed: later, more rides, a level less, one first', () => {
  const { road } = withWhatIf(input, {
    ridesAWeek: 6,
    keptPct: 100,
    weeksLater: 2,
    first: 'frame.poll/walk',
    without: ['frame.poll/walk'],
  });
  // The class asked for that level alone: nothing of it is left.
  expect(road.goals).toEqual([{ name: 'Sale', day: '2026-08-17', levels: [seat] }]);
  expect([road.rides_a_week, road.kept, road.first]).toEqual([6, 1, poll]);
  expect(input.road.goals).toHaveLength(2);
});

test('what would help is taken up, within what there is', () => {
  const usual = planned(input);
  const help = (kind: Parameters<typeof taken>[0]['kind'], level?: typeof seat) =>
    taken({ kind, level: level ?? null, chance: 0.5, gain: 0.1, text: '' }, usual);
  expect(help('ride_more').ridesAWeek).toBe(5);
  expect(help('month_later').weeksLater).toBe(4);
  expect(help('work_first', poll).first).toBe('frame.poll/walk');
  expect(help('drop', seat).without).toEqual(['stop.seat/walk']);
  const most = { ...usual, ridesAWeek: 5.5, weeksLater: 11 };
  const more = { kind: 'ride_more' as const, level: null, chance: 1, gain: 1, text: '' };
  expect(taken(more, most).ridesAWeek).toBe(6);
  expect(taken({ ...more, kind: 'month_later' }, most).weeksLater).toBe(12);
});

const link = (name: string, share: number, median: string | null) => ({
  level: { skill: name, rung: 'walk' },
  name,
  share,
  median,
});

const goal = (day: string, from: string | null, median: string | null, to: string | null) => ({
  name: 'Sale',
  day,
  from,
  median,
  to,
  chance: 0.3,
  chance_a_month_later: 0.5,
  at_risk: true,
  text: '',
  levels: [],
});

const chain = [
  link('Never there', 0.9, null),
  link('Soon', 0.6, '2026-05-20'),
  link('A day later', 0.6, '2026-05-21'),
  link('Hardly ever', 0.01, '2026-05-10'),
];

test('along the fence time runs to the right and nails stand apart', () => {
  const road = { goals: [goal('2026-08-03', '2026-07-01', '2026-08-20', null)], chain };
  for (const width of [340, 1200]) {
    const laid = fenceLayout({
      on: '2026-05-04',
      width,
      road,
      behind: [
        { name: 'One', day: '2026-04-20' },
        { name: 'Other', day: '2026-04-20' },
        { name: 'Long ago', day: '2026-01-01' },
      ],
    });
    expect(laid.posts).toEqual([
      { x: expect.any(Number) as number, day: '2026-04-20', levels: ['One', 'Other'] },
    ]);
    expect(laid.posts[0]!.x).toBeLessThan(laid.today);
    const [sale] = laid.goals;
    expect(laid.today).toBeLessThan(sale!.left);
    expect(sale!.left).toBeLessThan(sale!.x);
    // The range has no end in sight: it runs out of the picture.
    expect([sale!.right, sale!.open]).toEqual([width, true]);
    const nails = laid.chain.map(({ nail }) => nail);
    expect(laid.chain.map(({ name }) => name)).toEqual(['Soon', 'A day later', 'Never there']);
    for (const [index, nail] of nails.entries()) {
      expect(nail - (nails[index - 1] ?? laid.today)).toBeGreaterThanOrEqual(24);
      expect(nail).toBeLessThanOrEqual(width);
    }
    // The rails meet, whatever was done to the nails.
    expect(laid.chain[1]!.left).toBe(laid.chain[0]!.right);
    const months = laid.months.map(({ x }) => x);
    expect(months).toEqual([...months].sort((a, b) => a - b));
    expect(laid.months[0]!.day).toBe('2026-04-01');
  }
});

test('what hardly ever decides is not named', () => {
  expect(deciding(chain).map(({ name }) => name)).not.toContain('Hardly ever');
  expect(deciding([])).toEqual([]);
});
