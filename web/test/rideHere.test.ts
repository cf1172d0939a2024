import { expect, test } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { withoutRide, type OwnRides, type Pack } from '../src/offline/judgeInput';
import { inTurn } from '../src/shell/drawnLater';
import { movedRails } from '../src/ride/page/movedRails';

const rail = (item: string, side: string | null, passes: boolean) => ({ item, side, passes });
const judgement = (
  rails: ReturnType<typeof rail>[],
): Pick<Schemas['Judgement'], 'gate' | 'reasons'> =>
  ({
    gate: { items: rails },
    reasons: rails.map(({ item, side, passes }) => ({
      item,
      side,
      holds_back: !passes,
      text: `${side ?? 'both'} ${item}`,
    })),
  }) as unknown as Schemas['Judgement'];

test('the rails that a ride filled or emptied are named, and no others', () => {
  const before = judgement([
    rail('days', 'left', false),
    rail('days', 'right', false),
    rail('soft_share', 'left', true),
    rail('difference', null, true),
  ]);
  const now = judgement([
    rail('days', 'left', true),
    rail('days', 'right', false),
    rail('soft_share', 'left', false),
    rail('difference', null, true),
    rail('time_ratio', null, true),
  ]);
  expect(movedRails(now as Schemas['Judgement'], before as Schemas['Judgement'])).toEqual([
    { text: 'left days', filled: true },
    { text: 'left soft_share', filled: false },
  ]);
  expect(movedRails(now as Schemas['Judgement'], undefined)).toEqual([]);
});

test('a horse before a ride lacks its asks wherever they are known from', () => {
  const pack = {
    reps: [
      { rep_id: 'a', ride_id: 'old' },
      { rep_id: 'b', ride_id: 'this' },
    ],
    context: {
      rides: [{ ride_id: 'old' }, { ride_id: 'this' }],
      faults: [{ ride_id: 'this' }, { ride_id: 'old' }],
    },
  } as unknown as Pack;
  const own = {
    rides: [{ rideId: 'this' }, { rideId: 'other' }],
    reps: [
      { repId: 'c', rideId: 'this' },
      { repId: 'd', rideId: 'other' },
    ],
  } as unknown as OwnRides;
  const [known, kept] = withoutRide(pack, own, 'this');
  expect(known.reps.map(({ rep_id }) => rep_id)).toEqual(['a']);
  expect(known.context.rides?.map(({ ride_id }) => ride_id)).toEqual(['old']);
  expect(known.context.faults?.map(({ ride_id }) => ride_id)).toEqual(['old']);
  expect(kept.rides.map(({ rideId }) => rideId)).toEqual(['other']);
  expect(kept.reps.map(({ repId }) => repId)).toEqual(['d']);
});

test('parts are drawn one by one, and one that is gone is not', async () => {
  const drawn: string[] = [];
  const done = new Promise<void>((resolve) => {
    inTurn(() => drawn.push('first'));
    const stop = inTurn(() => drawn.push('gone'));
    inTurn(() => {
      drawn.push('last');
      resolve();
    });
    stop();
  });
  expect(drawn).toEqual([]);
  await done;
  expect(drawn).toEqual(['first', 'last']);
});
