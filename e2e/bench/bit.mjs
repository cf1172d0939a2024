// How a bit follows the hand on the bench: its shank is dragged to and fro for three seconds;
// frames, the longest of them, and how far the drawing is behind. In Chromium, on the demo.
//
//   node bench/bit.mjs http://127.0.0.1:7421     (through bin/bench pages)

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
const gear = await (await page.request.get('/api/gear')).json();
const bit = gear.find(({ measures }) => measures.purchase_in !== undefined);
await page.goto(`/yard/bench?bit=${bit.gear_id}`);
const picture = page.getByRole('img', { name: /turned 20 degrees/ });
await picture.waitFor();
const box = await picture.boundingBox();
const shank = bit.measures.shank_in;
const inch = Math.min(box.width / 13.4, box.height / (shank + 7.2));
const left = box.x + (box.width - 13.4 * inch) / 2 + 4.4 * inch;
const top = box.y + (box.height - (shank + 7.2) * inch) / 2 + 4.2 * inch;
const at = (degrees) => {
  const turn = (degrees * Math.PI) / 180;
  return [left + 2.5 * Math.sin(turn) * inch, top + 2.5 * Math.cos(turn) * inch];
};
await page.evaluate(() => {
  const seen = { frames: [], drawn: 0, going: true };
  window.seen = seen;
  const tick = (now) => {
    seen.frames.push(now);
    if (seen.going) requestAnimationFrame(tick);
  };
  requestAnimationFrame(tick);
  const drawing = [...document.querySelectorAll('svg[role=img]')].find((one) =>
    one.getAttribute('aria-label').includes('turned'),
  );
  new MutationObserver(() => (seen.drawn += 1)).observe(drawing, {
    attributes: true,
    attributeFilter: ['aria-label'],
  });
});
await page.mouse.move(...at(20));
await page.mouse.down();
const began = Date.now();
let moves = 0;
while (Date.now() - began < 3000) {
  await page.mouse.move(...at(40 + 30 * Math.sin(moves / 12)));
  moves += 1;
}
await page.mouse.up();
const { frames, drawn } = await page.evaluate(() => {
  window.seen.going = false;
  return window.seen;
});
await browser.close();
const gaps = frames.slice(1).map((frame, index) => frame - frames[index]);
gaps.sort((a, b) => a - b);
const seconds = (frames.at(-1) - frames[0]) / 1000;
console.log(
  `a bit under the hand: ${Math.round(gaps.length / seconds)} frames a second, ` +
    `95 of 100 frames within ${gaps[Math.floor(gaps.length * 0.95)].toFixed(1)} ms, ` +
    `drawn anew ${Math.round(drawn / seconds)} times a second for ${Math.round(moves / seconds)} moves`,
);
