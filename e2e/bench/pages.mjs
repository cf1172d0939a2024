// How long the main pages take on a phone whose processor is four times slower than this
// machine's, and the longest task that holds each up. In Chromium, on the built
// application over the demo's data.
//
//   node bench/pages.mjs ADDRESS     (through bin/bench pages)

import { chromium } from '@playwright/test';

const [address] = process.argv.slice(2);
const slowdown = 4;
const runs = 5;

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
await page.getByLabel('Username').fill('wren@saltgrass');
await page.getByLabel('Password').fill('loose-rein-26');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('navigation', { name: 'Pages' }).waitFor();
const horses = await (await page.request.get('/api/horses')).json();
const harrow = horses.find(({ name }) => name === 'Harrow').horse_id;
const pages = {
  Today: '/',
  Barn: '/barn',
  Horse: `/horses/${harrow}`,
  Gate: `/horses/${harrow}/levels/frame.back/stand`,
  Strips: `/horses/${harrow}/levels/frame.back/stand/strip`,
  Ladder: '/ladder',
  'Looking back': '/outcomes',
};
const debug = await context.newCDPSession(page);
await debug.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
await page.addInitScript(() => {
  window.longest = 0;
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries())
      window.longest = Math.max(window.longest, duration);
  }).observe({ type: 'longtask', buffered: true });
});

// Today once more as on every day after the first: the application from the service worker,
// the day from the device, while the server is asked for news.
async function fromCache() {
  const own = await browser.newContext({ baseURL: address, viewport: { width: 390, height: 844 } });
  const phone = await own.newPage();
  await phone.goto('/');
  await phone.getByLabel('Username').fill('wren@saltgrass');
  await phone.getByLabel('Password').fill('loose-rein-26');
  await phone.getByRole('button', { name: 'Sign in' }).click();
  await phone.getByRole('region', { name: 'Next' }).waitFor();
  await phone.evaluate(() => navigator.serviceWorker.ready);
  await phone.waitForLoadState('networkidle');
  const slow = await own.newCDPSession(phone);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
  const shown = [];
  for (let run = 0; run < 2 * runs; run += 1) {
    await phone.reload({ waitUntil: 'commit' });
    await phone.getByRole('region', { name: 'Next' }).waitFor();
    shown.push(await phone.evaluate(() => performance.now()));
  }
  await own.close();
  return shown;
}

const middle = (figures) => figures.sort((a, b) => a - b)[Math.floor(figures.length / 2)];
for (const [name, path] of Object.entries(pages)) {
  const [shown, longest] = [[], []];
  for (let run = 0; run < runs; run += 1) {
    await page.goto(path);
    const heading = page.getByRole('main').getByRole('heading').first();
    await heading.waitFor();
    shown.push(await page.evaluate(() => performance.now()));
    await page.waitForLoadState('networkidle');
    // Parts further down are drawn one by one.
    await page.waitForFunction(() => document.querySelectorAll('[data-drawn-later]').length === 0);
    longest.push(await page.evaluate(() => window.longest));
  }
  console.log(
    `${name.padEnd(13)} shown after ${Math.round(middle(shown))} ms, longest task ${Math.round(middle(longest))} ms`,
  );
}
const cached = await fromCache();
console.log(
  `Today from cache: ${(middle(cached) / 1000).toFixed(2)} s shown, the slowest ${(Math.max(...cached) / 1000).toFixed(2)} s`,
);
await browser.close();
