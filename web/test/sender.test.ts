import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keptDatabase, type KeptDatabase } from '../src/outbox/db';
import type { SenderState } from '../src/outbox/Sender';
import { asks, problem, server, taken } from './barn';

const events = new EventTarget();
vi.stubGlobal('location', { origin: 'http://barn.test' });
vi.stubGlobal('window', events);
vi.stubGlobal('document', new EventTarget());
vi.stubGlobal('navigator', {});
const { Sender } = await import('../src/outbox/Sender');

let db: KeptDatabase;
let stop: () => void = () => undefined;
let told: [SenderState, string | undefined][];
let barns = 0;
beforeEach(async () => {
  barns += 1;
  told = [];
  db = keptDatabase(`sender ${barns}`, 'wren');
  await asks(db, 1);
});
afterEach(() => stop());

let sender: InstanceType<typeof Sender>;
function start(onSent: (horseIds: string[]) => void = () => undefined) {
  sender = new Sender(db, 'wren', (state, says) => told.push([state, says]), onSent);
  stop = sender.start();
}

const last = () => told.at(-1);

describe('the sender', () => {
  it('sends what waits when it starts, and tells when it is at rest', async () => {
    server(taken);
    const sent = vi.fn();
    start(sent);
    await vi.waitFor(() => expect(last()).toEqual(['at rest', undefined]));
    expect(sent).toHaveBeenCalledExactlyOnceWith(['oatcake']);
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
    [401, 'about:blank', 'signed out'],
    [403, 'about:blank', 'not taken'],
    [409, '/problems/another-person', 'another person'],
    [426, '/problems/update', 'update'],
    [503, 'about:blank', 'not taken'],
  ] as const)(
    'tells a %i (%s) apart from no signal, with what the server said',
    async (status, type, state) => {
      server(() => problem(status, 'what the server said', [], type));
      start();
      await vi.waitFor(() => expect(last()).toEqual([state, 'what the server said']));
      expect(await db.reps.where('state').equals('waiting').count()).toBe(1);
    },
  );

  it('goes on with the rest when one ask is set aside', async () => {
    await asks(db, 1);
    let calls = 0;
    server((sent) => {
      calls += 1;
      return calls === 1
        ? problem(422, 'one field', [{ field: '/reps/0/asked_at', detail: 'too early' }])
        : taken(sent);
    });
    start();
    await vi.waitFor(() => expect(last()?.[0]).toBe('at rest'));
    expect((await db.reps.toArray()).map((rep) => rep.state).sort()).toEqual(['refused', 'sent']);
  });

  it('tries refused rows again after a sign-in or an update', async () => {
    server(() => problem(422, 'one field', [{ field: '/reps/0/side', detail: 'no' }]));
    start();
    await vi.waitFor(async () => expect(await db.reps.where({ state: 'refused' }).count()).toBe(1));
    server(taken);
    await sender.tryRefusedAgain();
    await vi.waitFor(async () => expect(await db.reps.where({ state: 'sent' }).count()).toBe(1));
  });

  it('sends all before a sign-out, and says what is left', async () => {
    server(taken);
    start();
    expect(await sender.sendAll()).toBe(0);
    await asks(db, 2);
    server(() => Promise.reject(new TypeError('offline')));
    expect(await sender.sendAll()).toBe(2);
  });
});
