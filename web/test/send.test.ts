import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDatabase, type KeptDatabase, type KeptRide } from '../src/queue/db';
import { finish, goOnWith, keepRep, takeBack } from '../src/queue/keep';

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { sendWaiting } = await import('../src/queue/send');

const ask = {
  side: 'left' as const,
  askedAt: new Date('2026-05-04T14:00:00Z'),
  measure: {
    kind: 'give' as const,
    hand: 'fingertip' as const,
    time_s: 1.2,
    answer: 'gave' as const,
  },
};

interface Sent {
  rides: { ride_id: string }[];
  reps: { rep_id: string; undone: boolean }[];
}

let db: KeptDatabase;
let ride: KeptRide;
let barns = 0;
beforeEach(async () => {
  barns += 1;
  db = keptDatabase(`sending ${barns}`, 'wren');
  ride = await goOnWith(db, 'oatcake', '2026-05-04', { skill: 'bend.flex', gait: 'stand' });
  for (let count = 0; count < 3; count += 1) await keepRep(db, ride, ask);
});

/** The barn's server for one test; `reply` sees what was sent. */
function server(reply: (sent: Sent) => Promise<Response> | Response) {
  vi.stubGlobal('fetch', async (request: Request) => reply((await request.json()) as Sent));
}

const taken = (sent: Sent) =>
  Response.json({
    rides: sent.rides.length,
    reps: sent.reps.length,
    soft: sent.reps.map(() => true),
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
    await goOnWith(db, 'kettle', '2026-05-04', { skill: 'bend.flex', gait: 'stand' });
    let rides = 0;
    server((sent) => {
      rides = sent.rides.length;
      return taken(sent);
    });
    await sendWaiting(db);
    expect(rides).toBe(1);
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
    server(() =>
      Response.json(
        {
          status: 422,
          detail: 'one field',
          errors: [{ field: '/reps/1/asked_at', says: 'too early' }],
        },
        { status: 422 },
      ),
    );
    expect(await sendWaiting(db)).toBe('refused');
    expect((await states()).sort()).toEqual(['refused', 'waiting', 'waiting']);
    const [refused] = await db.reps.where('state').equals('refused').toArray();
    expect(refused?.refusedBecause).toBe('too early');
  });

  it('sets aside a refused ride with all its reps', async () => {
    server(() =>
      Response.json(
        {
          status: 404,
          detail: 'no horse',
          errors: [{ field: '/rides/0/horse_id', says: 'no horse' }],
        },
        { status: 404 },
      ),
    );
    await sendWaiting(db);
    expect(await states()).toEqual(['refused', 'refused', 'refused']);
  });

  it('keeps everything when there is no signal, or the server broke', async () => {
    server(() => Promise.reject(new TypeError('offline')));
    await expect(sendWaiting(db)).rejects.toThrow(/No signal/);
    server(() => Response.json({ status: 500, detail: 'broke here' }, { status: 500 }));
    await expect(sendWaiting(db)).rejects.toThrow('broke here');
    expect(await states()).toEqual(['waiting', 'waiting', 'waiting']);
  });
});
