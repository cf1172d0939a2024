import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import { keptDatabase, type KeptDatabase } from '../src/queue/db';
import { ask, flex } from './barn';
import { changeAnswer, finish, goOnWith, keepRep, takeBack } from '../src/queue/keep';

let db: KeptDatabase;
let barns = 0;
beforeEach(() => {
  barns += 1;
  db = keptDatabase(`barn ${barns}`, 'wren');
});

describe('what is kept on the device', () => {
  it('goes on with the ride of the day, and begins another the next day', async () => {
    const first = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    expect(await goOnWith(db, 'oatcake', '2026-05-04', flex)).toEqual(first);
    const other = await goOnWith(db, 'oatcake', '2026-05-05', flex);
    expect(other.rideId).not.toBe(first.rideId);
    expect((await goOnWith(db, 'kettle', '2026-05-04', flex)).rideId).not.toBe(first.rideId);
  });

  it('keeps a rep that was taken back, to be sent again', async () => {
    const ride = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    await keepRep(db, ride, ask);
    const [rep] = await db.reps.toArray();
    await db.reps.update(rep!.repId, { state: 'sent' });
    await takeBack(db, rep!.repId);
    expect(await db.reps.toArray()).toMatchObject([{ undone: true, state: 'waiting', version: 2 }]);
  });

  it('changes an answer under a new id', async () => {
    const ride = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    await keepRep(db, ride, ask);
    const [rep] = await db.reps.toArray();
    await changeAnswer(db, rep!, 'evaded_sideways');
    const reps = await db.reps.toArray();
    expect(reps.map((r) => [r.measure.answer, r.undone])).toEqual(
      expect.arrayContaining([
        ['gave', true],
        ['evaded_sideways', false],
      ]),
    );
    expect(new Set(reps.map((r) => r.repId)).size).toBe(2);
  });

  it('forgets a ride without an ask, and finishes one with', async () => {
    const empty = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    expect(await finish(db, empty.rideId)).toBe('empty');
    expect(await db.rides.count()).toBe(0);
    const ride = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    await keepRep(db, ride, ask);
    expect(await finish(db, ride.rideId)).toBe('kept');
    expect((await db.rides.toArray())[0]?.finishedAt).not.toBeNull();
  });

  it('is kept apart for each person', async () => {
    const ride = await goOnWith(db, 'oatcake', '2026-05-04', flex);
    await keepRep(db, ride, ask);
    expect(await keptDatabase(`barn ${barns}`, 'tobin').reps.count()).toBe(0);
  });
});
