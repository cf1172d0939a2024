import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { rigOf } from '../src/outbox/card';
import { setRig } from '../src/outbox/rig';
import { asSentRide } from '../src/outbox/batch';
import { keptDatabase, type KeptDatabase, type KeptHold } from '../src/outbox/db';
import { keepFromTape } from '../src/outbox/fromTape';
import {
  changeAnswer,
  cutOff,
  finish,
  goingRide,
  keepHold,
  keepRep,
  openAgain,
  openRides,
  setUndone,
  settleHold,
} from '../src/outbox/keep';
import type { Measure } from '../src/base/words/measures';
import { ask, asks, flex, kettle, oatcake, ribs } from './barn';

let db: KeptDatabase;
let barns = 0;
beforeEach(() => {
  barns += 1;
  db = keptDatabase(`barn ${barns}`, 'wren');
});

const give = { kind: 'give', hand: 'fingertip', time_s: 1.2, answer: 'gave' } as const;

const answerOf = (measure: Measure) => (measure.kind === 'give' ? measure.answer : measure.kind);

const reps = () => db.reps.orderBy('repId').toArray();

const hold = (change: Partial<KeptHold> = {}): KeptHold => ({
  repId: 'the hold',
  horseId: 'oatcake',
  horseName: 'Oatcake',
  ...flex,
  levelName: 'Gives the head, standing',
  side: 'right',
  hand: 'fingertip',
  askedAt: new Date().toISOString(),
  heldS: 1.5,
  page: 'another',
  cutOff: true,
  ...change,
});

describe('what is kept on the device', () => {
  it('begins a ride with its first ask, and goes on with it', async () => {
    expect(await goingRide(db, 'oatcake')).toBeUndefined();
    await asks(db, 2);
    expect(await db.rides.count()).toBe(1);
    await keepRep(db, kettle, ask());
    expect(await db.rides.count()).toBe(2);
    const [first] = await openRides(db);
    expect(first).toMatchObject({ horseId: 'kettle', state: 'waiting', nextSequence: 1 });
  });

  it('files each ask under the level that was shown, in a block of its own', async () => {
    await asks(db, 1);
    await keepRep(db, oatcake, ask({ level: ribs }));
    await keepRep(db, oatcake, ask());
    const blocks = await db.blocks.toArray();
    expect(blocks.map(({ skill, position }) => [skill, position]).sort()).toEqual([
      ['bend.flex', 0],
      ['bend.ribs', 1],
    ]);
    for (const rep of await reps()) {
      expect(await db.blocks.get(rep.blockId)).toMatchObject({ skill: rep.skill, rung: rep.rung });
    }
    expect((await reps()).map((rep) => rep.skill)).toEqual(['bend.flex', 'bend.ribs', 'bend.flex']);
  });

  it('keeps an ask once, however often it is told', async () => {
    const one = ask();
    await Promise.all([keepRep(db, oatcake, one), keepRep(db, oatcake, one)]);
    await keepRep(db, oatcake, one);
    expect(await db.reps.count()).toBe(1);
    expect(await db.rides.toArray()).toMatchObject([{ nextSequence: 1 }]);
  });

  it('numbers asks, and their offsets only run forward', async () => {
    await asks(db, 5);
    const kept = (await db.reps.toArray()).sort((a, b) => a.sequence - b.sequence);
    expect(kept.map((rep) => rep.sequence)).toEqual([0, 1, 2, 3, 4]);
    const offsets = kept.map((rep) => rep.askedAfterMs);
    expect(offsets[0]).toBeLessThan(100);
    expect([...new Set(offsets)].sort((a, b) => a - b)).toEqual(offsets);
  });

  it('notes by how much the clock was set in the middle of a ride', async () => {
    await asks(db, 1);
    const year = 365 * 86_400_000;
    const now = Date.now.bind(Date);
    vi.spyOn(Date, 'now').mockImplementation(() => now() - year);
    await keepRep(db, oatcake, ask({ askedAt: new Date(Date.now()) }));
    vi.restoreAllMocks();
    const [ride, other] = await db.rides.toArray();
    expect(other).toBeUndefined();
    expect(ride!.setForwardS).toBeCloseTo(-year / 1000, 0);
    const [first, second] = (await db.reps.toArray()).sort((a, b) => a.sequence - b.sequence);
    expect(second!.askedAfterMs).toBeGreaterThan(first!.askedAfterMs);
    expect(second!.askedAfterMs).toBeLessThan(60_000);
  });

  it('takes a rep back and brings it back, counting the changes', async () => {
    await asks(db, 1);
    const [rep] = await reps();
    await db.reps.update(rep!.repId, { state: 'sent' });
    await setUndone(db, rep!.repId, true);
    await setUndone(db, rep!.repId, true);
    expect(await reps()).toMatchObject([
      { undone: true, changes: 1, state: 'waiting', version: 2 },
    ]);
    await setUndone(db, rep!.repId, false);
    expect(await reps()).toMatchObject([{ undone: false, changes: 2, version: 3 }]);
  });

  it('changes an answer under a new id, once', async () => {
    await asks(db, 1);
    const [rep] = await reps();
    const late = { ...give, answer: 'late' as const };
    await Promise.all([changeAnswer(db, rep!, late), changeAnswer(db, rep!, late)]);
    const changed = await reps();
    expect(changed.map((r) => [answerOf(r.measure), r.undone]).sort()).toEqual([
      ['gave', true],
      ['late', false],
    ]);
    expect(new Set(changed.map((r) => r.askedAfterMs)).size).toBe(1);
  });

  it('finishes a ride after midnight, and opens it again', async () => {
    await asks(db, 1);
    const [ride] = await openRides(db);
    // The day of the barn is another now; the ride is the same.
    expect((await goingRide(db, 'oatcake'))?.rideId).toBe(ride!.rideId);
    await finish(db, ride!.rideId);
    const [finished] = await db.rides.toArray();
    expect(finished!.finishedAfterMs).toBeGreaterThan(0);
    expect(await openRides(db)).toEqual([]);
    await openAgain(db, { ...finished!, blocks: [], asked: 1 });
    await openAgain(db, { ...finished!, blocks: [], asked: 1 });
    expect(await openRides(db)).toMatchObject([{ openedAgain: 1, finishedAfterMs: null }]);
    await asks(db, 1);
    expect(await db.rides.count()).toBe(1);
  });

  it('goes on with a ride that another device recorded', async () => {
    const block = { blockId: 'b', rideId: 'theirs', position: 0, ...flex };
    await openAgain(db, {
      rideId: 'theirs',
      ...oatcake,
      startedAt: new Date().toISOString(),
      lastMs: 60_000,
      finishedAfterMs: 60_000,
      openedAgain: 0,
      blocks: [block],
      asked: 4,
    });
    await asks(db, 1);
    expect(await reps()).toMatchObject([{ rideId: 'theirs', blockId: 'b', sequence: 4 }]);
    expect((await reps())[0]!.askedAfterMs).toBeGreaterThanOrEqual(60_000);
  });

  it('is kept apart for each person', async () => {
    await asks(db, 1);
    expect(await keptDatabase(`barn ${barns}`, 'tobin').reps.count()).toBe(0);
  });
});

describe('a hold that was broken off', () => {
  it('is asked about, and settled once by a double tap', async () => {
    await keepHold(db, hold({ cutOff: false }));
    await cutOff(db, 'the hold', 2.5);
    await Promise.all([
      settleHold(db, 'the hold', '2026-05-04', 'did_not_give'),
      settleHold(db, 'the hold', '2026-05-04', 'did_not_give'),
    ]);
    expect(await db.holds.count()).toBe(0);
    expect(await reps()).toMatchObject([
      { repId: 'the hold', side: 'right', measure: { answer: 'did_not_give', time_s: 2.5 } },
    ]);
  });

  it('leaves nothing when it was not an ask', async () => {
    await keepHold(db, hold());
    await settleHold(db, 'the hold', '2026-05-04', null);
    expect([await db.holds.count(), await db.reps.count(), await db.rides.count()]).toEqual([
      0, 0, 0,
    ]);
  });

  it('settled after later asks stands where it was asked', async () => {
    await asks(db, 1);
    await keepHold(db, hold({ askedAt: new Date(Date.now() - 3_000).toISOString() }));
    await db.rides.toCollection().modify((ride) => {
      ride.lastMs += 5_000;
    });
    await settleHold(db, 'the hold', '2026-05-04', 'gave');
    const settled = await db.reps.get('the hold');
    expect(settled!.askedAfterMs).toBeLessThan(5_000);
  });

  it('is no question any more once its ask was kept', async () => {
    await keepHold(db, hold());
    await keepRep(db, oatcake, ask({ repId: 'the hold' }));
    expect(await db.holds.count()).toBe(0);
    await settleHold(db, 'the hold', '2026-05-04', 'gave');
    expect(await db.reps.count()).toBe(1);
  });
});

describe('the rig', () => {
  const today = { horseId: 'oatcake', day: oatcake.day };

  it('is what the ride begins in, and a change marks what comes after', async () => {
    await setRig(db, today, { kind: 'snaffle', name: '' });
    await asks(db, 1);
    const ride = await goingRide(db, 'oatcake');
    expect(ride?.rigs).toEqual([{ after_ms: 0, kind: 'snaffle', name: '' }]);
    await setRig(db, today, { kind: 'bosal', name: 'The light one' });
    const changed = await goingRide(db, 'oatcake');
    expect(changed?.rigs?.map(({ kind }) => kind)).toEqual(['snaffle', 'bosal']);
    expect(changed?.state).toBe('waiting');
    expect(changed?.version).toBeGreaterThan(ride?.version ?? 0);
  });

  it('never has two at one moment, and no more than a ride may have', async () => {
    await asks(db, 1);
    for (let change = 0; change < 30; change += 1)
      await setRig(db, today, { kind: change % 2 ? 'bosal' : 'snaffle', name: '' });
    const rigs = (await goingRide(db, 'oatcake'))?.rigs ?? [];
    expect(rigs).toHaveLength(20);
    expect(new Set(rigs.map(({ after_ms }) => after_ms)).size).toBe(20);
  });

  it('is the one of the last ride, where nobody said another', async () => {
    await setRig(db, today, { kind: 'snaffle', name: '' });
    await asks(db, 1);
    const ride = await goingRide(db, 'oatcake');
    await finish(db, ride?.rideId ?? '');
    const tomorrow = { horseId: 'oatcake', day: '2031-01-01' };
    expect(await rigOf(db, tomorrow)).toEqual({ kind: 'snaffle', name: '' });
    expect(await rigOf(db, { horseId: 'kettle', day: oatcake.day })).toBeUndefined();
  });
});

describe('a ride that is logged from a film', () => {
  const film = {
    rideId: 'of the film',
    horseId: 'oatcake',
    horseName: 'Oatcake',
    riderId: 'juna',
    day: '2026-05-04',
    startedAt: '2026-05-04T15:00:00.000Z',
    lengthMs: 90_000,
  };
  const seen = (afterMs: number) =>
    keepFromTape(db, film, { level: flex, side: 'left', afterMs, measure: give });

  it('counts by the time of the film, in the order of marking or not', async () => {
    await seen(61_040);
    await seen(2_080);
    const [ride] = await db.rides.toArray();
    expect(ride).toMatchObject({ finishedAfterMs: 90_000, fromTape: { rider_id: 'juna' } });
    const asks = (await db.reps.toArray()).sort((a, b) => a.sequence - b.sequence);
    expect(asks.map((one) => [one.sequence, one.askedAfterMs, one.askedAt])).toEqual([
      [0, 61_040, '2026-05-04T15:01:01.040Z'],
      [1, 2_080, '2026-05-04T15:00:02.080Z'],
    ]);
    expect(await db.blocks.count()).toBe(1);
  });

  it('is never the ride that goes on, and is sent as what it is', async () => {
    await seen(1_000);
    expect(await openRides(db)).toEqual([]);
    expect(await goingRide(db, 'oatcake')).toBeUndefined();
    await keepRep(db, oatcake, ask());
    expect(await db.rides.count()).toBe(2);
    const ride = (await db.rides.get('of the film'))!;
    expect(asSentRide(ride, [])).toMatchObject({
      from_tape: { rider_id: 'juna' },
      finished_after_ms: 90_000,
      started_at: film.startedAt,
    });
  });
});
