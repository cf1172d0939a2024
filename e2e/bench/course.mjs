// How a barrel course follows the hand: its third barrel is dragged to and fro for three
// seconds; frames, the longest of them, and how often the way round was drawn anew. In
// Chromium at 1280x800, on the demo.
//
//   node bench/course.mjs http://127.0.0.1:7421     (through bin/bench pages)

import { chromium } from '@playwright/test';

const [address] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
});
const page = await browser.newPage({ baseURL: address, viewport: { width: 1280, height: 800 } });
await page.request.post('/api/session', {
  data: { sign_in: 'wren@saltgrass', password: 'loose-rein-26' },
});
const courses = await (await page.request.get('/api/courses')).json();
const course = courses.find(({ plan }) => plan.kind === 'barrels');
await page.goto(`/yard/courses/${course.course_id}`);
await page.getByText(/^\d+ ft, \d+ strides/).waitFor();
async function drag(name) {
  const handle = page.getByRole('button', { name }).first();
  await handle.scrollIntoViewIfNeeded();
  const box = await handle.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const moves = Array.from({ length: 180 }, (_, step) => [
    x + 30 * Math.sin(step / 12),
    y + 25 * Math.sin(step / 9),
  ]);
  // A move a frame, as a hand makes them.
  const { frames, drawn } = await page.evaluate(
    async ({ moves, name }) => {
      const held = document.querySelector(`[data-testid=handle][aria-label="${name}"]`);
      const way = [...document.querySelectorAll('[data-testid=plan] path')].find(
        (path) => (path.getAttribute('d') ?? '').length > 1000,
      );
      let drawn = 0;
      const observer = new MutationObserver(() => (drawn += 1));
      observer.observe(way, { attributes: true, attributeFilter: ['d'] });
      const frames = [];
      for (const [clientX, clientY] of moves) {
        frames.push(await new Promise((next) => requestAnimationFrame(next)));
        held.dispatchEvent(new PointerEvent('pointermove', { clientX, clientY, bubbles: true }));
      }
      return { frames, drawn };
    },
    { moves, name },
  );
  await page.mouse.up();
  const gaps = frames.slice(1).map((frame, index) => frame - frames[index]);
  gaps.sort((a, b) => a - b);
  const seconds = (frames.at(-1) - frames[0]) / 1000;
  console.log(
    `${name} under the hand: ${Math.round(gaps.length / seconds)} frames a second, ` +
      `95 of 100 frames within ${gaps[Math.floor(gaps.length * 0.95)].toFixed(1)} ms, ` +
      `the way round drawn anew ${Math.round(drawn / seconds)} times a second`,
  );
}
await drag('Barrel 3');
await drag('Barrel 3, pocket at the back');
await browser.close();
