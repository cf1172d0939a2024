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
await page.mouse.move(...at(20));
await page.mouse.down();
const moves = Array.from({ length: 180 }, (_, step) => at(40 + 30 * Math.sin(step / 12)));
// A move a frame, as a hand makes them.
const { frames, drawn } = await page.evaluate(async (moves) => {
  const drawing = [...document.querySelectorAll('svg[role=img]')].find((one) =>
    one.getAttribute('aria-label').includes('turned'),
  );
  let drawn = 0;
  const observer = new MutationObserver(() => (drawn += 1));
  observer.observe(drawing, { attributes: true, attributeFilter: ['aria-label'] });
  const frames = [];
  for (const [clientX, clientY] of moves) {
    frames.push(await new Promise((next) => requestAnimationFrame(next)));
    drawing.dispatchEvent(new PointerEvent('pointermove', { clientX, clientY, bubbles: true }));
  }
  return { frames, drawn };
}, moves);
await page.mouse.up();
await browser.close();
const gaps = frames.slice(1).map((frame, index) => frame - frames[index]);
gaps.sort((a, b) => a - b);
const seconds = (frames.at(-1) - frames[0]) / 1000;
console.log(
  `a bit under the hand: ${Math.round(gaps.length / seconds)} frames a second, ` +
    `95 of 100 frames within ${gaps[Math.floor(gaps.length * 0.95)].toFixed(1)} ms, ` +
    `drawn anew ${Math.round(drawn / seconds)} times a second for ${Math.round(moves.length / seconds)} moves`,
);
