import 'fake-indexeddb/auto';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../src/base/api/client';
import { asSentRep, asSentRide } from '../src/outbox/batch';
import { keptDatabase, type KeptRep } from '../src/outbox/db';
import { changeAnswer, finish, keepRep } from '../src/outbox/keep';
import { beginWork, endWork, goingWork, leaveCattle, onCattle } from '../src/outbox/work';
import { atFlag, flagHeard, flagNow } from '../src/cattle/flag/flagNow';
import { becauseInWords, stopsInWords, turnsInWords } from '../src/base/words/herd';

const mount = { horseId: 'horse', horseName: 'Tom', day: '2026-06-01' };
const good = {
  kind: 'turn' as const,
  tempo: 'slow' as const,
  position: 'even' as const,
  shoulders: 'swept_across' as const,
  weight: 'behind' as const,
  waited: true,
  result: 'turned' as const,
};
const turn = (repId: string, change: Partial<typeof good> = {}) => ({
  repId,
  level: { skill: 'cow.turn', rung: 'slow' },
  side: 'left' as const,
  askedAt: new Date(),
  agoMs: 0,
  measure: { ...good, ...change } as KeptRep['measure'],
});
const back = (repId: string) => ({
  ...turn(repId),
  level: { skill: 'frame.back', rung: 'stand' },
  measure: { kind: 'steps' as const, asked: 2, clean: 2, hurried: false },
});

async function rideOf(db: ReturnType<typeof keptDatabase>) {
  const [ride] = await db.rides.toArray();
  const reps = await db.reps.toArray();
  return { ride: ride!, reps };
}

describe('works on this device', () => {
  it('a cow picked before the first ask begins with the ride; its turns name it', async () => {
    const db = keptDatabase('barn', 'picked');
    await beginWork(db, mount, 'cow-12');
    expect((await goingWork(db, mount))?.cow_id).toBe('cow-12');
    await keepRep(db, mount, turn('one'));
    await endWork(db, mount, 'good_turn');
    await keepRep(db, mount, turn('two'));
    const { ride, reps } = await rideOf(db);
    const [work] = asSentRide(ride, []).works!;
    expect([work!.cow_id, work!.after_ms, work!.ended?.how]).toEqual(['cow-12', 0, 'good_turn']);
    const named = reps.map((rep) => {
      const { measure } = asSentRep(rep);
      return measure.kind === 'turn' ? measure.work_id : 'none';
    });
    // After the work is over a turn is on no cow that anybody named.
    expect(named).toEqual([work!.work_id, undefined]);
    expect(await goingWork(db, mount)).toBeUndefined();
  });

  it('a cow that was picked and put back before any ask was no work', async () => {
    const db = keptDatabase('barn', 'put-back');
    await beginWork(db, mount, 'cow-12');
    await endWork(db, mount, 'rest');
    await keepRep(db, mount, turn('one'));
    const { ride } = await rideOf(db);
    expect(asSentRide(ride, []).works).toBeUndefined();
  });

  it('the next cow ends the work before; another answer stays with its cow', async () => {
    const db = keptDatabase('barn', 'next');
    await keepRep(db, mount, back('zero'));
    await beginWork(db, mount, 'cow-12');
    await keepRep(db, mount, turn('one'));
    await beginWork(db, mount, 'cow-15', 'lost');
    const { ride, reps } = await rideOf(db);
    expect(ride.works?.map(({ cow_id, ended }) => [cow_id, ended?.how])).toEqual([
      ['cow-12', 'lost'],
      ['cow-15', undefined],
    ]);
    const first = reps.find(({ repId }) => repId === 'one')!;
    await changeAnswer(db, first, { ...good, shoulders: 'leaked' });
    const changed = (await db.reps.toArray()).find(
      ({ undone, skill }) => !undone && skill === 'cow.turn',
    )!;
    expect(changed.measure).toMatchObject({
      shoulders: 'leaked',
      work_id: ride.works![0]!.work_id,
    });
  });

  it('after the cattle are left only what came since counts, and the flag never does', async () => {
    const db = keptDatabase('barn', 'left');
    await beginWork(db, mount, 'cow-12');
    await keepRep(db, mount, turn('one', { shoulders: 'leaked' as never }));
    await keepRep(db, mount, turn('two', { shoulders: 'leaked' as never }));
    const dry = {
      part: 'work' as const,
      skill: 'frame.back',
      rung: 'stand',
      name: 'Back',
      asks: 4,
    };
    await leaveCattle(db, mount, [dry]);
    await keepRep(db, mount, back('three'));
    await beginWork(db, mount, null);
    await keepRep(db, mount, turn('four'));
    const { ride, reps } = await rideOf(db);
    const seen = onCattle(ride, reps);
    expect(seen.left).toBe(true);
    expect(seen.today).toEqual([]);
    expect(seen.dry).toEqual([{ skill: 'frame.back', rung: 'stand' }]);
    expect(seen.worked).toEqual(['cow-12']);
    expect(seen.lastLevel).toEqual({ skill: 'cow.turn', rung: 'slow' });
    const [card] = await db.cards.toArray();
    expect(card!.added).toEqual([dry]);
    // Another ride of the day owes no dry work.
    await finish(db, ride.rideId);
    await keepRep(db, mount, turn('five'));
    expect((await db.cards.toArray())[0]!.added).toBeUndefined();
  });
});

describe('the flag', () => {
  it('is carried on from its last word, and not for long', () => {
    const now = vi.spyOn(performance, 'now').mockReturnValue(1_000);
    expect(flagNow()).toBeNull();
    flagHeard(20, 8);
    now.mockReturnValue(1_250);
    expect(flagNow()).toEqual({ at_ft: 22, speed_ft_s: 8 });
    expect(atFlag({ ...good })).toMatchObject({ flag: { at_ft: 22, speed_ft_s: 8 } });
    expect(atFlag({ kind: 'count' })).toEqual({ kind: 'count' });
    now.mockReturnValue(2_500);
    expect(flagNow()).toBeNull();
    now.mockRestore();
  });
});

describe('the herd in words', () => {
  it('says how honest, why not, and where it comes apart', () => {
    expect(stopsInWords(0.56)).toBe('stops 6 of 10');
    expect(
      becauseInWords([
        { why: 'not_settled', cattle: 2 },
        { why: 'too_quick', cattle: 1 },
      ]),
    ).toBe('2 herd not settled, 1 too quick');
    const summary: Schemas['TurnsSummary'] = {
      cells: [],
      holds_up_to: 'slow',
      comes_apart: { tempo: 'medium', side: 'right', by: 'leaked' },
    };
    expect(turnsInWords(summary)).toBe(
      'Holds together up to a slow cow. Comes apart to the right on a medium cow: shoulder leaks most often.',
    );
    expect(turnsInWords({ cells: [] })).toBe('Too few turns to tell yet.');
  });
});
