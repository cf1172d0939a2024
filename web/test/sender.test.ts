import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDatabase, type KeptDatabase } from '../src/queue/db';
import { goOnWith, keepRep } from '../src/queue/keep';
import type { SenderState } from '../src/queue/Sender';
import { ask, flex, problem, server, taken } from './barn';

const events = new EventTarget();
vi.stubGlobal('location', { origin: 'http://barn.test' });
vi.stubGlobal('window', events);
vi.stubGlobal('document', new EventTarget());
vi.stubGlobal('navigator', {});
const { Sender } = await import('../src/queue/Sender');

let db: KeptDatabase;
let stop: () => void = () => undefined;
let told: [SenderState, string | undefined][];
let barns = 0;
beforeEach(async () => {
  barns += 1;
  told = [];
  db = keptDatabase(`sender ${barns}`, 'wren');
  await keepRep(db, await goOnWith(db, 'oatcake', '2026-05-04', flex), ask);
});
afterEach(() => stop());

function start(onSent = () => undefined) {
  stop = new Sender(db, (state, says) => told.push([state, says]), onSent).start();
}

const last = () => told.at(-1);

describe('the sender', () => {
  it('sends what waits when it starts, and tells when it is at rest', async () => {
    server(taken);
    const sent = vi.fn();
    start(sent);
    await vi.waitFor(() => expect(last()).toEqual(['at rest', undefined]));
    expect(sent).toHaveBeenCalledOnce();
    expect(await db.reps.where('state').equals('sent').count()).toBe(1);
  });

  it('tells no signal, keeps all, and tries again when the signal is back', async () => {
    server(() => Promise.reject(new TypeError('offline')));
    start();
    await vi.waitFor(() => expect(last()).toEqual(['no signal', undefined]));
    expect(await db.reps.where('state').equals('waiting').count()).toBe(1);
    server(taken);
    events.dispatchEvent(new Event('online'));
    await vi.waitFor(() => expect(last()?.[0]).toBe('at rest'));
  });

  it.each([
    [401, 'signed out'],
    [403, 'not taken'],
    [500, 'not taken'],
  ] as const)(
    'tells a %i apart from no signal, with what the server said',
    async (status, state) => {
      server(() => problem(status, 'what the server said'));
      start();
      await vi.waitFor(() => expect(last()).toEqual([state, 'what the server said']));
      expect(await db.reps.where('state').equals('waiting').count()).toBe(1);
    },
  );

  it('goes on with the rest when one ask is set aside', async () => {
    const ride = (await db.rides.toArray())[0]!;
    await keepRep(db, ride, ask);
    let calls = 0;
    server((sent) => {
      calls += 1;
      return calls === 1
        ? problem(422, 'one field', [{ field: '/reps/0/asked_at', says: 'too early' }])
        : taken(sent);
    });
    start();
    await vi.waitFor(() => expect(last()?.[0]).toBe('at rest'));
    expect((await db.reps.toArray()).map((rep) => rep.state).sort()).toEqual(['refused', 'sent']);
  });
});
