import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { rateOf } from '../src/ride/coolOut/rate';
import { dueInWords } from '../src/horse/care/words';
import { heatInWords } from '../src/base/words/heat';
import { speakIn } from '../src/base/words/unitSetting';
import { keptDatabase, type KeptDatabase } from '../src/outbox/db';

vi.stubGlobal('location', { origin: 'http://barn.test' });
const { endCoolOut, openCoolOut, sendCoolOuts, startCoolOut, takeReading } =
  await import('../src/outbox/coolOut');

let db: KeptDatabase;
let barns = 0;
beforeEach(() => {
  barns += 1;
  db = keptDatabase(`cooling ${barns}`, 'wren');
});

const oatcake = { horseId: 'oatcake', horseName: 'Oatcake' };
const reading = (minute: number, pulse: number) => ({ minute, pulse, breaths: 30 });
const sheet = async () => (await openCoolOut(db, 'oatcake'))!;

/** Answers each sheet, and remembers what was asked. */
function server(status: number, body?: object) {
  const asked: { path: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push({ path: new URL(request.url).pathname, body: await request.json() });
    const headers = { 'content-type': 'application/problem+json' };
    return new Response(body ? JSON.stringify(body) : null, { status, headers });
  });
  return asked;
}

describe('a horse that is cooled out', () => {
  it('has one clock, whoever presses again, until it is closed', async () => {
    await Promise.all([startCoolOut(db, oatcake), startCoolOut(db, oatcake)]);
    expect(await db.coolOuts.count()).toBe(1);
    const begun = (await sheet()).startedAt;
    await startCoolOut(db, oatcake);
    expect((await sheet()).startedAt).toBe(begun);
    await endCoolOut(db, (await sheet()).coolOutId);
    expect(await openCoolOut(db, 'oatcake')).toBeUndefined();
  });

  it('keeps each minute once, in order, and sends the sheet whole', async () => {
    await startCoolOut(db, oatcake);
    const { coolOutId } = await sheet();
    await takeReading(db, coolOutId, reading(10, 80));
    await takeReading(db, coolOutId, reading(0, 120));
    await takeReading(db, coolOutId, reading(10, 76));
    const asked = server(204);
    expect(await sendCoolOuts(db)).toEqual(['oatcake']);
    expect(asked[0]).toMatchObject({
      path: `/api/cool-outs/${coolOutId}`,
      body: { horse_id: 'oatcake', readings: [{ minute: 0 }, { minute: 10, pulse: 76 }] },
    });
    expect(await sendCoolOuts(db)).toEqual([]);
    await takeReading(db, coolOutId, reading(20, 60));
    expect(await sendCoolOuts(db)).toEqual(['oatcake']);
  });

  it('stays on the device without signal, and says why where the server refuses', async () => {
    await startCoolOut(db, oatcake);
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no signal')));
    await expect(sendCoolOuts(db)).rejects.toThrow();
    expect((await sheet()).state).toBe('waiting');
    const type = '/problems/fields';
    server(422, { type, title: 'x', status: 422, detail: 'must lie within the last year' });
    expect(await sendCoolOuts(db)).toEqual([]);
    expect(await sheet()).toMatchObject({
      state: 'refused',
      refusedBecause: expect.stringContaining('within the last year') as string,
    });
  });

  it('is over when nobody closed it and the day went on', async () => {
    await startCoolOut(db, oatcake);
    const early = new Date(Date.now() - 5 * 3_600_000).toISOString();
    await db.coolOuts.toCollection().modify({ startedAt: early });
    expect(await openCoolOut(db, 'oatcake')).toBeUndefined();
  });
});

describe('a rate by taps', () => {
  const taps = (times: number[]) => times.reduce(rateOf.add, [] as number[]);

  it('is what the taps say, once there are enough', () => {
    expect(rateOf.rate(taps([0, 1000, 2000, 3000]))).toBeUndefined();
    expect(rateOf.rate(taps([0, 1000, 2000, 3000, 4000]))).toBe(60);
    expect(rateOf.rate(taps([0, 500, 1000, 1500, 2000, 2500]))).toBe(120);
  });

  it('begins anew after a pause', () => {
    expect(taps([0, 1000, 2000, 60_000])).toEqual([60_000]);
  });
});

describe('words', () => {
  it('say when care is due as people do', () => {
    const due = (on: string, overdue = false, kind: 'feet' | 'in_season' = 'feet') =>
      dueInWords({ kind, last: '2026-04-01', due: on, overdue }, '2026-05-04');
    expect(due('2026-05-04')).toBe('due today');
    expect(due('2026-05-05')).toBe('due tomorrow');
    expect(due('2026-05-16')).toBe('due May 16');
    expect(due('2026-05-01', true)).toBe('overdue since May 1');
    expect(due('2026-05-09', false, 'in_season')).toBe('about May 9');
  });

  it('say heat in the units of the barn', () => {
    const hour = { temperature_f: 95, humidity_pct: 40 };
    expect(heatInWords(hour)).toBe('95 °F, 40%');
    speakIn('metric');
    expect(heatInWords(hour)).toBe('35 °C, 40%');
    speakIn('us');
  });
});
