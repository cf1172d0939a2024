// The cow trainer: steps and frames a second while it is ridden, how long a step of the core takes
// in the page, and from a key to the horse's first move in the picture. In Chromium, on the demo.
//
//   node bench/cow.mjs http://127.0.0.1:7421     (through bin/bench pages)

import { chromium } from '@playwright/test';

const [address] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
});
const page = await browser.newPage({
  baseURL: address,
  viewport: { width: 1280, height: 800 },
});
await page.request.post('/api/session', {
  data: { sign_in: 'wren@saltgrass', password: 'loose-rein-26' },
});
await page.goto('/cow-trainer');
await page.getByRole('button', { name: 'Ride a minute' }).click();
await page.getByTestId('cow score').waitFor();
const { frames, latency, left } = await page.evaluate(async () => {
  const horse = document.querySelector('[data-testid=horse]');
  const frame = () => new Promise((next) => requestAnimationFrame(next));
  const press = (type, key) => window.dispatchEvent(new KeyboardEvent(type, { key }));
  const latency = [];
  const frames = [await frame()];
  // The horse stands, a key goes down, the picture changes; then it comes to a stand again.
  for (let round = 0; round < 20; round += 1) {
    const key = round % 2 ? 'ArrowLeft' : 'ArrowRight';
    for (let still = 0, last = ''; still < 8;) {
      frames.push(await frame());
      const now = horse.getAttribute('transform');
      still = now === last ? still + 1 : 0;
      last = now;
    }
    const before = horse.getAttribute('transform');
    const pressed = performance.now();
    press('keydown', key);
    while (horse.getAttribute('transform') === before) frames.push(await frame());
    // Changed in the page: on the screen with the frame that comes.
    frames.push(await frame());
    latency.push(performance.now() - pressed);
    press('keyup', key);
  }
  return { frames, latency, left: document.querySelector('[role=timer]').textContent };
});
await browser.close();
const middle = (values, part) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * part)];
const gaps = frames.slice(1).map((at, index) => at - frames[index]);
const seconds = (frames.at(-1) - frames[0]) / 1000;
console.log(
  `the cow trainer: ${Math.round(gaps.length / seconds)} frames a second, ` +
    `95 of 100 within ${middle(gaps, 0.95).toFixed(1)} ms; ${left} after ${seconds.toFixed(0)} s; ` +
    `from a key to the picture ${middle(latency, 0.5).toFixed(0)} ms, ` +
    `95 of 100 within ${middle(latency, 0.95).toFixed(0)} ms`,
);
