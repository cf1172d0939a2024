import 'fake-indexeddb/auto';
import { describe, expect, it, vi } from 'vitest';
import { asSentRide } from '../src/outbox/batch';
import { keptDatabase } from '../src/outbox/db';
import { keepRep } from '../src/outbox/keep';
import { setRig, wearAsBarnSays } from '../src/outbox/rig';
import { horseAsks, setShare, takeAskBack } from '../src/outbox/share';

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { beginBitChange, openBitChange, sendBitChanges, takeStep } =
  await import('../src/outbox/bitChange');

const mount = { horseId: 'horse', horseName: 'Tom', day: '2026-06-01' };
const ask = (repId: string) => ({
  repId,
  level: { skill: 'bend.flex', rung: 'stand' },
  side: 'left' as const,
  askedAt: new Date(),
  agoMs: 0,
  measure: { kind: 'count' as const, count: 1 },
});

describe('the share along a ride', () => {
  it('begins as it was set before, grows, and never changes what the ride began with', async () => {
    const db = keptDatabase('barn', 'share');
    await setRig(db, mount, { kind: 'two_rein', name: '', gear_id: 'g' });
    await setShare(db, mount, 65);
    await horseAsks(db, mount.horseId, 'back');
    await keepRep(db, mount, ask('one'));
    await setShare(db, mount, 60);
    await setShare(db, mount, 50);
    await horseAsks(db, mount.horseId, 'for_bridle');
    await horseAsks(db, mount.horseId, 'back');
    await takeAskBack(db, mount.horseId);
    const [ride] = await db.rides.toArray();
    const sent = asSentRide(ride!, []);
    expect(sent.rigs).toEqual([{ after_ms: 0, kind: 'two_rein', name: '', gear_id: 'g' }]);
    // Sixty was passed on the way to fifty: one move.
    expect(sent.shares?.map(({ bosal_pct }) => bosal_pct)).toEqual([65, 50]);
    expect(sent.shares?.[0]?.after_ms).toBe(0);
    // Asked before the ride began, it is no part of it.
    expect(sent.horse_asked?.map(({ ask: what, undone }) => [what, undone])).toEqual([
      ['for_bridle', false],
      ['back', true],
    ]);
    expect(ride!.state).toBe('waiting');
    await takeAskBack(db, mount.horseId);
    await takeAskBack(db, mount.horseId);
    const [again] = await db.rides.toArray();
    expect(again!.horseAsked?.every(({ undone }) => undone)).toBe(true);
  });

  it('in other tack a share that was set before is not sent', async () => {
    const db = keptDatabase('barn', 'snaffle');
    await setShare(db, mount, 65);
    await setRig(db, mount, { kind: 'snaffle', name: '' });
    await keepRep(db, mount, ask('two'));
    const [ride] = await db.rides.toArray();
    expect(asSentRide(ride!, []).shares).toBeUndefined();
  });
});

describe('what the barn says the horse wears', () => {
  const piece = (gear_id: string) => ({ kind: 'snaffle' as const, name: gear_id, gear_id });
  const rigOfDay = async (db: ReturnType<typeof keptDatabase>) =>
    (await db.cards.toArray())[0]?.rig?.gear_id;

  it('is worn until its rider picks otherwise, and changes with the barn', async () => {
    const db = keptDatabase('barn', 'worn');
    await wearAsBarnSays(db, mount, piece('ring'));
    expect(await rigOfDay(db)).toBe('ring');
    await wearAsBarnSays(db, mount, piece('bosal'));
    expect(await rigOfDay(db)).toBe('bosal');
    await setRig(db, mount, piece('other'));
    await wearAsBarnSays(db, mount, piece('ring'));
    expect(await rigOfDay(db)).toBe('other');
  });

  it('leaves a ride that goes on alone', async () => {
    const db = keptDatabase('barn', 'going');
    await setRig(db, mount, piece('ring'));
    await keepRep(db, mount, ask('going'));
    await wearAsBarnSays(db, mount, piece('bosal'));
    expect((await db.rides.toArray())[0]?.rigs?.map(({ gear_id }) => gear_id)).toEqual(['ring']);
  });
});

describe('changing the bit on this device', () => {
  it('keeps each step once, however often it is tapped', async () => {
    const db = keptDatabase('barn', 'change');
    await beginBitChange(db, { horseId: 'horse', gearId: 'bit', fromGearId: 'ring' });
    const change = (await openBitChange(db, 'horse', 'bit'))!;
    const step = { step: 'mouth' as const, answer: 'ok' as const, note: '' };
    await Promise.all([
      takeStep(db, change.changeId, 0, step),
      takeStep(db, change.changeId, 0, step),
    ]);
    const kept = (await openBitChange(db, 'horse', 'bit'))!;
    expect(kept.steps).toEqual([step]);
    expect(kept.state).toBe('waiting');
    expect(await openBitChange(db, 'horse', 'ring')).toBeUndefined();
  });

  it('is sent whole, and what the barn refuses says why', async () => {
    const db = keptDatabase('barn', 'sent');
    await beginBitChange(db, { horseId: 'horse', gearId: 'bit' });
    const answers = [
      new Response(null, { status: 204 }),
      new Response(
        JSON.stringify({ type: 'x', title: 'No', status: 422, detail: 'a step is out of turn' }),
        {
          status: 422,
          headers: { 'content-type': 'application/problem+json' },
        },
      ),
    ];
    const asked: unknown[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      asked.push(await request.json());
      return answers.shift();
    });
    expect(await sendBitChanges(db)).toEqual(['horse']);
    expect(asked[0]).toMatchObject({
      horse_id: 'horse',
      gear_id: 'bit',
      from_gear_id: null,
      steps: [],
    });
    expect(await sendBitChanges(db)).toEqual([]);
    const change = (await openBitChange(db, 'horse', 'bit'))!;
    await takeStep(db, change.changeId, 0, { step: 'lope', answer: 'ok', note: '' });
    expect(await sendBitChanges(db)).toEqual([]);
    const refused = (await openBitChange(db, 'horse', 'bit'))!;
    expect([refused.state, refused.refusedBecause]).toEqual(['refused', 'a step is out of turn']);
  });
});
