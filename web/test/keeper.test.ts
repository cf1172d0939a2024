import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDatabase, type KeptDatabase } from '../src/outbox/db';
import { keepRep } from '../src/outbox/keep';
import { Keeper } from '../src/outbox/Keeper';
import { storageOf } from '../src/outbox/storage';
import { ask, oatcake } from './barn';

vi.stubGlobal('navigator', {});

let db: KeptDatabase;
let barns = 0;
/** Whether the device is full. */
let full: boolean;
let keeper: Keeper;
const kept = vi.fn();
beforeEach(() => {
  barns += 1;
  db = keptDatabase(`keeper ${barns}`, 'wren');
  full = false;
  kept.mockClear();
  const write: typeof keepRep = (...told) =>
    full ? Promise.reject(new DOMException('full', 'QuotaExceededError')) : keepRep(...told);
  keeper = new Keeper(db, kept, write);
  vi.spyOn(console, 'error').mockImplementation(() => undefined);
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('the keeper', () => {
  it('writes an ask and tells that something waits to be sent', async () => {
    await keeper.keep(oatcake, ask());
    expect(await db.reps.count()).toBe(1);
    expect(kept).toHaveBeenCalledOnce();
    expect(keeper.unsaved()).toEqual([]);
  });

  it('shows an ask before it is written, and no more once it is drawn from the storage', async () => {
    const made = ask();
    const writing = keeper.keep(oatcake, made);
    expect(keeper.justMade().map(({ ask: { repId } }) => repId)).toEqual([made.repId]);
    expect(await db.reps.count()).toBe(0);
    await writing;
    expect(keeper.justMade()).toHaveLength(1);
    keeper.seen([made.repId]);
    expect(keeper.justMade()).toEqual([]);
    expect(keeper.unsaved()).toEqual([]);
  });

  it('says of an ask that could not be written that it is in memory only, and shows it once', async () => {
    full = true;
    await keeper.keep(oatcake, ask());
    expect(keeper.justMade()).toEqual([]);
    expect(keeper.unsaved()).toHaveLength(1);
  });

  it('keeps in memory what the device cannot write, says so, and writes it in order later', async () => {
    const told = vi.fn();
    keeper.subscribe(told);
    full = true;
    const [first, second] = [ask(), ask({ side: 'right' })];
    await keeper.keep(oatcake, first);
    await keeper.keep(oatcake, second);
    expect(keeper.unsaved().map(({ ask: { repId } }) => repId)).toEqual([
      first.repId,
      second.repId,
    ]);
    expect(kept).not.toHaveBeenCalled();
    await keeper.retry();
    expect(keeper.unsaved()).toHaveLength(2);
    full = false;
    await keeper.retry();
    expect(keeper.unsaved()).toEqual([]);
    const reps = (await db.reps.toArray()).sort((a, b) => a.sequence - b.sequence);
    expect(reps.map((rep) => rep.side)).toEqual(['left', 'right']);
  });

  it('tries again by itself', async () => {
    full = true;
    await keeper.keep(oatcake, ask());
    full = false;
    await vi.waitFor(() => expect(keeper.unsaved()).toEqual([]), { timeout: 5_000 });
    expect(await db.reps.count()).toBe(1);
  });

  it('an ask that was written late after all is kept once', async () => {
    const one = ask();
    await keepRep(db, oatcake, one);
    await keeper.keep(oatcake, one);
    expect(await db.reps.count()).toBe(1);
  });
});

describe('what an error of the storage means', () => {
  const named = (name: string, inner?: unknown) => ({ name, inner });
  it.each([
    ['full', named('AbortError', named('QuotaExceededError'))],
    ['missing', named('MissingAPIError')],
    ['missing', named('OpenFailedError', named('SecurityError'))],
    ['blocked', named('VersionError')],
    ['broken', named('UnknownError')],
    ['broken', 'no error at all'],
  ])('%s', (expected, error) => {
    expect(storageOf(error)).toBe(expected);
  });
});
