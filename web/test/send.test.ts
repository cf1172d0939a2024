import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import {
  dropRep,
  dropRide,
  putRepRight,
  putRideRight,
  tryRefusedAgain,
} from '../src/outbox/attention';
import { keptDatabase, type KeptDatabase } from '../src/outbox/db';
import { finish, keepChips, keepRep, openRides, setUndone } from '../src/outbox/keep';
import { ask, asks, flex, kettle, oatcake, problem, ribs, server, taken, type Sent } from './barn';

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { sendWaiting } = await import('../src/outbox/send');

let db: KeptDatabase;
let barns = 0;
let sent: Sent[];
beforeEach(async () => {
  barns += 1;
  sent = [];
  db = keptDatabase(`sending ${barns}`, 'wren');
  await asks(db, 3);
});

const send = () => sendWaiting(db, 'wren');
const states = async () => (await db.reps.toArray()).map((rep) => rep.state).sort();
const ride = async () => (await db.rides.toArray())[0]!;

/** Takes everything, and remembers it. */
const takes = () =>
  server((batch) => {
    sent.push(batch);
    return taken(batch);
  });

describe('sending what is kept', () => {
  it('sends a ride with its blocks and reps under its person, then nothing', async () => {
    takes();
    expect(await send()).toEqual({ how: 'sent', horseIds: ['oatcake'] });
    expect(await states()).toEqual(['sent', 'sent', 'sent']);
    expect((await db.reps.toArray()).every((rep) => rep.soft)).toBe(true);
    expect(sent[0]).toMatchObject({
      person_id: 'wren',
      rides: [{ blocks: [{ skill: 'bend.flex' }] }],
    });
    expect(Date.parse(sent[0]!.sent_at)).toBeGreaterThan(0);
    expect((await send()).how).toBe('nothing');
  });

  it('says in which form it sends', async () => {
    server((batch, request) => {
      expect(request.headers.get('cavesson-batch-form')).toBe('2');
      return taken(batch);
    });
    await send();
  });

  it('sends a ride again with its later reps: the server may not have it', async () => {
    takes();
    await send();
    await asks(db, 1);
    await send();
    expect(sent[1]!.reps).toHaveLength(1);
    expect(sent[1]!.rides).toHaveLength(1);
  });

  it('sends what was said of a ride that another device recorded', async () => {
    takes();
    await send();
    const fault = { ...flex, fault: 'dull' };
    const other = {
      ...(await ride()),
      rideId: 'theirs',
      finishedAfterMs: 9_000,
      blocks: [],
      asked: 4,
    };
    await keepChips(db, other, { faults: [fault] });
    await keepChips(db, other, { marks: ['wind'] });
    await send();
    expect(sent[1]).toMatchObject({
      rides: [{ ride_id: 'theirs', faults: [fault], marks: ['wind'] }],
      reps: [],
    });
    expect((await send()).how).toBe('nothing');
  });

  it('sends again what changed while it was under way', async () => {
    const [first] = await db.reps.toArray();
    server(async (batch) => {
      await setUndone(db, first!.repId, true);
      await finish(db, (await ride()).rideId);
      return taken(batch);
    });
    await send();
    expect((await states()).filter((state) => state === 'waiting')).toHaveLength(1);
    takes();
    await send();
    expect(sent[0]?.reps).toMatchObject([{ rep_id: first!.repId, undone: true }]);
    expect(sent[0]?.rides).toHaveLength(1);
  });

  it('keeps everything when there is no signal, or the server broke', async () => {
    server(() => Promise.reject(new TypeError('offline')));
    await expect(send()).rejects.toThrow(/No signal/);
    server(() => problem(503, 'busy'));
    await expect(send()).rejects.toThrow('busy');
    expect(await states()).toEqual(['waiting', 'waiting', 'waiting']);
  });

  it.each([
    [401, 'about:blank'],
    [409, '/problems/another-person'],
    [426, '/problems/update'],
    [429, 'about:blank'],
  ])('a %i of %s is about no row', async (status, type) => {
    server(() => problem(status, 'not now', [{ field: '/person_id', detail: 'no' }], type));
    await expect(send()).rejects.toThrow('not now');
    expect(await states()).toEqual(['waiting', 'waiting', 'waiting']);
  });
});

describe('what the server refuses', () => {
  it('is set aside with its reason, and only what is named', async () => {
    server(() =>
      problem(422, 'one field', [{ field: '/reps/1/measure/time_s', detail: 'too long' }]),
    );
    expect((await send()).how).toBe('refused');
    expect(await states()).toEqual(['refused', 'waiting', 'waiting']);
    const [refused] = await db.reps.where('state').equals('refused').toArray();
    expect(refused).toMatchObject({ refusedBecause: 'too long', refusedAt: 'measure/time_s' });
  });

  it('holds back a ride with the reps that were sent along, and no others', async () => {
    server(async () => {
      await keepRep(db, oatcake, ask());
      return problem(404, 'no horse', [{ field: '/rides/0/horse_id', detail: 'no horse' }]);
    });
    await send();
    expect(await states()).toEqual(['refused', 'refused', 'refused', 'waiting']);
    takes();
    // The fourth waits with its ride; it is not sent without it.
    expect((await send()).how).toBe('nothing');
  });

  it('leaves alone what changed since it was sent', async () => {
    const [first] = await db.reps.toArray();
    server(async () => {
      await setUndone(db, first!.repId, true);
      return problem(422, 'one field', [{ field: '/reps/0/side', detail: 'no' }]);
    });
    const { how } = await send().catch(() => ({ how: 'thrown' }));
    expect(how).not.toBe('nothing');
    expect((await db.reps.get(first!.repId))!.state).toBe('waiting');
  });

  it('does not block the others when it breaks the server: the batch is split', async () => {
    await keepRep(db, kettle, ask());
    const poison = (await db.reps.toArray())[1]!.repId;
    server((batch) => {
      if (batch.reps.some((rep) => rep.rep_id === poison)) return problem(500, 'broke here');
      return taken(batch);
    });
    expect((await send()).how).toBe('refused');
    expect(await states()).toEqual(['refused', 'sent', 'sent', 'sent']);
    expect(await db.reps.get(poison)).toMatchObject({ refusedBecause: 'broke here' });
  });

  it('is not blamed for a server that broke once', async () => {
    const [first, ...others] = await db.reps.toArray();
    await db.reps.bulkDelete(others.map(({ repId }) => repId));
    await db.rides.toCollection().modify({ state: 'sent' });
    let tries = 0;
    server((batch) => {
      tries += 1;
      return tries === 1 ? problem(500, 'broke here') : taken(batch);
    });
    expect((await send()).how).toBe('sent');
    expect((await db.reps.get(first!.repId))!.state).toBe('sent');
  });

  it('is not blamed for a server that is down', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(problem(500, 'broke here')));
    await expect(send()).rejects.toThrow('broke here');
    expect(await states()).toEqual(['waiting', 'waiting', 'waiting']);
  });
});

describe('putting it right', () => {
  const refuse = async (field: string) => {
    server(() => problem(422, 'one field', [{ field, detail: 'no' }]));
    await send();
    takes();
  };

  it('tries everything again when asked', async () => {
    await refuse('/reps/0/side');
    await tryRefusedAgain(db);
    await send();
    expect(await states()).toEqual(['sent', 'sent', 'sent']);
  });

  it('moves an ask to another level and its block', async () => {
    await refuse('/reps/0/skill');
    const [rep] = await db.reps.where('state').equals('refused').toArray();
    await putRepRight(db, rep!.repId, ribs);
    await send();
    const moved = sent[0]!.reps.find(({ rep_id }) => rep_id === rep!.repId);
    const block = sent[0]!.rides[0]!.blocks.find(({ block_id }) => block_id === moved!.block_id);
    expect([moved!.skill, block!.skill]).toEqual(['bend.ribs', 'bend.ribs']);
  });

  it('gives a ride another time and horse, and its asks go with it', async () => {
    await refuse('/rides/0/started_at');
    const startedAt = '2026-05-03T15:00:00.000Z';
    await putRideRight(db, (await ride()).rideId, { startedAt, setForwardS: 0, ...kettle });
    await send();
    expect(sent[0]).toMatchObject({ rides: [{ started_at: startedAt, horse_id: 'kettle' }] });
    expect(sent[0]!.reps).toHaveLength(3);
  });

  it('drops an ask or a ride, and takes that back', async () => {
    await refuse('/reps/0/side');
    const [rep] = await db.reps.where('state').equals('refused').toArray();
    await dropRep(db, rep!.repId, true);
    await tryRefusedAgain(db);
    await send();
    expect(await states()).toEqual(['dropped', 'sent', 'sent']);
    await dropRep(db, rep!.repId, false);
    expect(await states()).toEqual(['refused', 'sent', 'sent']);
    await asks(db, 1);
    await refuse('/rides/0/horse_id');
    const { rideId } = await ride();
    await dropRide(db, rideId, true);
    expect(await openRides(db)).toEqual([]);
    await dropRide(db, rideId, false);
    expect((await ride()).state).toBe('refused');
  });
});
