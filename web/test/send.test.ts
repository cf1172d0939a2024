import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDatabase, type KeptDatabase, type KeptRide } from '../src/queue/db';
import { finish, goOnWith, keepChips, keepRep, takeBack } from '../src/queue/keep';
import { ask, flex, problem, server, taken, type Sent } from './barn';

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { sendWaiting } = await import('../src/queue/send');

let db: KeptDatabase;
let ride: KeptRide;
let barns = 0;
beforeEach(async () => {
  barns += 1;
  db = keptDatabase(`sending ${barns}`, 'wren');
  ride = await goOnWith(db, 'oatcake', '2026-05-04', flex);
  for (let count = 0; count < 3; count += 1) await keepRep(db, ride, ask);
});

const states = async () => (await db.reps.toArray()).map((rep) => rep.state);

describe('sending what is kept', () => {
  it('sends a ride with its reps, then nothing', async () => {
    server(taken);
    expect(await sendWaiting(db)).toBe('sent');
    expect(await states()).toEqual(['sent', 'sent', 'sent']);
    expect((await db.reps.toArray()).every((rep) => rep.soft)).toBe(true);
    expect(await sendWaiting(db)).toBe('nothing');
  });

  it('does not send a ride in which nothing was asked', async () => {
    await goOnWith(db, 'kettle', '2026-05-04', flex);
    let rides = 0;
    server((sent) => {
      rides = sent.rides.length;
      return taken(sent);
    });
    await sendWaiting(db);
    expect(rides).toBe(1);
  });

  it('sends what was said of a ride that another device recorded', async () => {
    const sent: Sent[] = [];
    server((batch) => {
      sent.push(batch);
      return taken(batch);
    });
    await sendWaiting(db);
    const fault = { ...flex, fault: 'dull' };
    const other = { ...ride, rideId: 'of another device' };
    await keepChips(db, { ...other, finishedAt: '2026-05-04T15:00:00Z' }, { faults: [fault] });
    await keepChips(db, other, { marks: ['wind'] });
    await sendWaiting(db);
    expect(sent[1]).toMatchObject({
      rides: [{ ride_id: 'of another device', faults: [fault], marks: ['wind'] }],
      reps: [],
    });
    expect(await sendWaiting(db)).toBe('nothing');
  });

  it('sends again what changed while it was under way', async () => {
    const [first] = await db.reps.toArray();
    server(async (sent) => {
      await takeBack(db, first!.repId);
      await finish(db, ride.rideId);
      return taken(sent);
    });
    await sendWaiting(db);
    expect((await states()).filter((state) => state === 'waiting')).toHaveLength(1);
    const again: Sent[] = [];
    server((sent) => {
      again.push(sent);
      return taken(sent);
    });
    await sendWaiting(db);
    expect(again[0]?.reps).toMatchObject([{ rep_id: first!.repId, undone: true }]);
    expect(again[0]?.rides).toMatchObject([{ ride_id: ride.rideId }]);
  });

  it('sets aside only what the server names, with its reason', async () => {
    server(() => problem(422, 'one field', [{ field: '/reps/1/asked_at', says: 'too early' }]));
    expect(await sendWaiting(db)).toBe('refused');
    expect((await states()).sort()).toEqual(['refused', 'waiting', 'waiting']);
    const [refused] = await db.reps.where('state').equals('refused').toArray();
    expect(refused?.refusedBecause).toBe('too early');
  });

  it('sets aside a refused ride with all its reps', async () => {
    server(() => problem(404, 'no horse', [{ field: '/rides/0/horse_id', says: 'no horse' }]));
    await sendWaiting(db);
    expect(await states()).toEqual(['refused', 'refused', 'refused']);
  });

  it('keeps everything when there is no signal, or the server broke', async () => {
    server(() => Promise.reject(new TypeError('offline')));
    await expect(sendWaiting(db)).rejects.toThrow(/No signal/);
    server(() => problem(500, 'broke here'));
    await expect(sendWaiting(db)).rejects.toThrow('broke here');
    expect(await states()).toEqual(['waiting', 'waiting', 'waiting']);
  });
});
