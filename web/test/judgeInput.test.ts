import { expect, test } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { judgeInput, type OwnRides } from '../src/offline/judgeInput';
import type { KeptRep, KeptRide } from '../src/outbox/db';

const flex = { skill: 'bend.flex', rung: 'stand' };
const measure = { kind: 'give', hand: 'fingertip', time_s: 1.2, answer: 'gave' } as const;

const known = (rep_id: string, ride_id: string): Schemas['Rep'] => ({
  rep_id,
  ride_id,
  ...flex,
  side: 'left',
  day: '2026-05-01',
  asked_at: '2026-05-01T15:00:00Z',
  measure,
});

const pack: Schemas['HorsePack'] = {
  horse_id: 'horse',
  rider_id: 'pia',
  version: 4,
  barn: [],
  intake_asks: [],
  day: {
    minutes: 45,
    age_years: 4,
    traits: [],
    at_hand: [],
    helper: false,
    temperature_f: null,
    humidity_pct: null,
    quiet_min: [],
    quiet_today_min: null,
    aim: null,
    planned: [],
    without: [],
  },
  date: '2026-05-03',
  program: { name: 'Slow and sure', schools: {}, gates: [] },
  reps: [known('a', 'first'), known('b', 'second'), known('c', 'second')],
  context: {
    sex: 'mare',
    intake: null,
    care: [],
    overrules: [],
    riders: [],
    placings: [],
    answers: [],
    programs_before: [],
    rides: [
      { ride_id: 'first', day: '2026-05-01', marks: ['trouble'] },
      { ride_id: 'second', day: '2026-05-03', marks: ['trouble'] },
    ],
    faults: [
      { ride_id: 'first', level: flex, fault: 'head_up' },
      { ride_id: 'second', level: flex, fault: 'nose_out' },
    ],
  },
};

const rep = (repId: string, more: Partial<KeptRep> = {}) =>
  ({
    repId,
    rideId: 'second',
    ...flex,
    side: 'right',
    askedAt: '2026-05-03T15:00:00Z',
    measure,
    undone: false,
    state: 'waiting',
    ...more,
  }) as KeptRep;

const own = (reps: KeptRep[], ride: Partial<KeptRide> = {}): OwnRides => ({
  rides: [{ rideId: 'second', day: '2026-05-03', state: 'sent', ...ride } as KeptRide],
  reps,
});

const asked = (found: ReturnType<typeof judgeInput>) => found.reps.map(({ rep_id }) => rep_id);

test('what this device asked comes to what was taken along, each ask once', () => {
  const input = judgeInput(pack, own([rep('c'), rep('d')]), '2026-05-03');
  expect(asked(input)).toEqual(['a', 'b', 'c', 'd']);
  expect(input.reps.at(-1)).toMatchObject({ day: '2026-05-03', side: 'right', ...flex });
  expect(input).toMatchObject({ program: { name: 'Slow and sure' }, date: '2026-05-03' });
});

test('an ask that was taken back, dropped or refused here does not count, whoever knew it', () => {
  const reps = [rep('b', { undone: true }), rep('c', { state: 'dropped' }), rep('d', { state: 'refused' })]; // prettier-ignore
  expect(asked(judgeInput(pack, own(reps), '2026-05-03'))).toEqual(['a']);
});

test('what this device said of a ride stands in the place of what was known', () => {
  const says = { faults: [{ ...flex, fault: 'falls_in' }], marks: [] };
  const { context } = judgeInput(pack, own([], says), '2026-05-03');
  expect(context?.faults?.map(({ fault }) => fault)).toEqual(['head_up', 'falls_in']);
  expect(context?.rides?.at(-1)).toEqual({
    ride_id: 'second',
    day: '2026-05-03',
    rider_id: 'pia',
    rigs: [],
    marks: [],
  });
});

test('a rig that was put on here is on from that minute of the ride', () => {
  const rigs = [
    { after_ms: 0, kind: 'snaffle' as const, name: 'Ring', gear_id: 'g' },
    { after_ms: 600_000, kind: 'shank' as const, name: '' },
  ];
  const startedAt = '2026-05-03T14:50:00.000Z';
  const { context } = judgeInput(pack, own([], { rigs, startedAt }), '2026-05-03');
  expect(context?.rides?.at(-1)?.rigs).toEqual([
    { from: startedAt, kind: 'snaffle', name: 'Ring', gear_id: 'g' },
    { from: '2026-05-03T15:00:00.000Z', kind: 'shank', name: '', gear_id: undefined },
  ]);
});

test('what this device did not speak of stays as it was', () => {
  const { context } = judgeInput(pack, own([]), '2026-05-03');
  expect(context?.faults?.map(({ fault }) => fault)).toEqual(['head_up', 'nose_out']);
  expect(context?.rides?.map(({ marks }) => marks)).toEqual([['trouble'], ['trouble']]);
});

test('a ride that was begun here is one of its rides', () => {
  const begun = own([rep('d', { rideId: 'third' })], { rideId: 'third' });
  const { context, ...input } = judgeInput(pack, begun, '2026-05-03');
  expect(context?.rides?.map(({ ride_id }) => ride_id)).toEqual(['first', 'second', 'third']);
  expect(asked({ ...input, context })).toContain('d');
});
