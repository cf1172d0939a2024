// The recorder on a phone whose processor is four times slower than this machine's: the
// scripts of its first load, how soon an ask is on screen, the memory of two hours of
// asks; and 10,000 reps in one sync. In Chromium, on the built application over the
// demo's data.
//
//   node bench/ride.mjs ADDRESS     (through bin/bench ride)

import { randomBytes } from 'node:crypto';
import { chromium } from '@playwright/test';

const [address] = process.argv.slice(2);
const slowdown = 4;

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
  ],
});
const context = await browser.newContext({
  baseURL: address,
  viewport: { width: 390, height: 844 },
  serviceWorkers: 'block',
});
const page = await context.newPage();
await page.goto('/');
await page.getByLabel('Username').fill('tobin@saltgrass');
await page.getByLabel('Password').fill('loose-rein-26');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('navigation', { name: 'Pages' }).waitFor();
const horses = await (await page.request.get('/api/horses')).json();
const horse_id = horses.find(({ name }) => name === 'Pocketwatch').horse_id;
const debug = await context.newCDPSession(page);
const middle = (figures) => [...figures].sort((a, b) => a - b)[Math.floor(figures.length / 2)];

// The scripts of a first visit, as they come over the wire.
await debug.send('Network.enable');
await debug.send('Network.clearBrowserCache');
const scripts = new Map();
debug.on('Network.responseReceived', ({ requestId, response }) => {
  if (/\.js(\?|$)/.test(response.url)) scripts.set(requestId, 0);
});
// Their bodies: what the headers of fifty answers weigh depends on the server before it.
debug.on('Network.dataReceived', ({ requestId, encodedDataLength }) => {
  if (scripts.has(requestId)) scripts.set(requestId, scripts.get(requestId) + encodedDataLength);
});
await page.goto(`/horses/${horse_id}/ride/bend.hip/walk`);
await page.getByTestId('half-left').waitFor();
const kilobytes = () =>
  ([...scripts.values()].reduce((sum, one) => sum + one, 0) / 1000).toFixed(0);
console.log(`scripts until the recorder can be used: ${kilobytes()} kB, compressed`);
await page.waitForLoadState('networkidle');
console.log(`with all that it fetches later: ${kilobytes()} kB`);

// From the touch to the ask on screen.
await debug.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
const shown = () =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const half = document.querySelector('[data-testid="half-left"]');
        const before = half.textContent;
        window.addEventListener(
          'keydown',
          ({ timeStamp }) => {
            const look = () =>
              half.textContent === before
                ? requestAnimationFrame(look)
                : resolve(performance.now() - timeStamp);
            requestAnimationFrame(look);
          },
          { once: true, capture: true },
        );
        window.ready = true;
      }),
  );
const times = [];
for (let ask = 0; ask < 30; ask += 1) {
  const seen = shown();
  await page.waitForFunction(() => window.ready);
  await page.evaluate(() => (window.ready = false));
  await page.waitForTimeout(350);
  await page.keyboard.press('1');
  times.push(await seen);
}
const late = [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)];
console.log(
  `an ask on screen after ${middle(times).toFixed(0)} ms (median), ${late.toFixed(0)} ms (p95), at ${slowdown}x`,
);

// Two hours of asks.
await debug.send('Emulation.setCPUThrottlingRate', { rate: 1 });
await debug.send('HeapProfiler.enable');
const heap = async () => {
  await debug.send('HeapProfiler.collectGarbage');
  const { usedSize } = await debug.send('Runtime.getHeapUsage');
  return usedSize / 1e6;
};
const heaps = [];
for (let ask = 0; ask <= 720; ask += 1) {
  if (ask % 180 === 0) heaps.push(`${ask}: ${(await heap()).toFixed(1)} MB`);
  await page.keyboard.press(ask % 2 ? 'q' : '1');
  await page.waitForTimeout(160);
}
console.log(`heap after so many asks of a ride: ${heaps.join(', ')}`);

// 10,000 reps that waited: sent as a device sends them, 500 at a time.
const uuid = (ms) => {
  const hex = Math.floor(ms).toString(16).padStart(12, '0') + randomBytes(10).toString('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
};
const { person_id } = await (await page.request.get('/api/session')).json();
const now = Date.now();
const batches = Array.from({ length: 20 }, (_, day) => {
  const started = now - (20 - day) * 86_400_000;
  const [ride_id, block_id] = [uuid(started), uuid(started + 1)];
  const reps = Array.from({ length: 500 }, (__, sequence) => ({
    rep_id: uuid(started + sequence + 2),
    ride_id,
    block_id,
    skill: 'bend.flex',
    rung: 'stand',
    side: sequence % 2 ? 'right' : 'left',
    sequence,
    asked_after_ms: sequence * 6_000,
    asked_at: new Date(started + sequence * 6_000).toISOString(),
    measure: { kind: 'give', hand: 'fingertip', time_s: 1.1, answer: 'gave' },
  }));
  const block = { block_id, position: 0, skill: 'bend.flex', rung: 'stand' };
  const ride = { ride_id, horse_id, started_at: new Date(started).toISOString(), blocks: [block] };
  return { person_id, rides: [{ ...ride, finished_after_ms: 3_600_000 }], reps };
});
const began = performance.now();
for (const batch of batches) {
  const data = { ...batch, sent_at: new Date().toISOString() };
  const answer = await page.request.post('/api/batches', { data });
  if (answer.status() !== 200) throw new Error(await answer.text());
}
console.log(`10,000 reps in ${((performance.now() - began) / 1000).toFixed(1)} s, 500 at a time`);
await browser.close();
