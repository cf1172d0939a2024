// How fast the core is in the page: one level's verdict, a whole horse, and how long the
// page itself is held up meanwhile. In Chromium, on the built application.
//
//   node bench/core.mjs     (through bin/bench browser)

import { execFileSync } from 'node:child_process';
import { createServer } from 'node:http';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';

const root = new URL('../..', import.meta.url).pathname;
const assets = join(root, 'web/dist/assets');
const find = (pattern) => readdirSync(assets).find((file) => pattern.test(file));
const [worker, core] = [find(/^worker-.*\.js$/), find(/^core-.*\.wasm$/)];

const calculate = (name, input) =>
  JSON.parse(
    execFileSync(process.env.CAVESSON_BIN, ['calc', name], {
      input: JSON.stringify(input),
      maxBuffer: 100_000_000,
    }).toString(),
  );
// Four levels, ten asks a side and ride: 4,000 reps in fifty rides.
const asks = ['bend.flex/stand', 'bend.hip/stand', 'bend.hip/walk', 'bend.ribs/walk'].map(
  (level) => {
    const [skill, rung] = level.split('/');
    return { skill, rung, left: 10, right: 10 };
  },
);
const rides = { count: 50, first_day: '2026-01-05', asks };
const { reps } = calculate('simulate-horse', { seed: 26, rides });
const date = reps.at(-1).day;
const days = [...new Set(reps.map((rep) => rep.day))].slice(-6);
const ofWindow = reps.filter((rep) => rep.skill === 'bend.flex' && days.includes(rep.day));

// The whole ladder in half a year, as goals of sixty levels at the most.
const { levels } = calculate('pace', { histories: [] });
const goals = Array.from({ length: Math.ceil(levels.length / 60) }, (_, part) => ({
  name: `Part ${part + 1}`,
  day: '2026-11-30',
  levels: levels.slice(60 * part, 60 * part + 60).map(({ level }) => level),
}));
const road = { today: '2026-06-01', goals, levels: [], rides_a_week: 5 };

// A bit on the bench.
const curb = {
  purchase_in: 1.5,
  shank_in: 4.5,
  jaw_in: 2,
  pull_lbf: 2,
  pull_angle_deg: 90,
  rotation_deg: 40,
};
const strap = { half_length_in: 3.1, hole_spacing_in: 0.5, holes_shorter: 3, holes_longer: 3 };

// Two hours, a point a second: circles to each side by turns.
let [x, y, heading, points] = [0, 0, 0, ''];
for (let second = 0; second < 7_200; second += 1) {
  const part = Math.floor(second / 120) % 6;
  const speed = [1.6, 3.4, 5.2][part % 3];
  heading += [0, speed / 12, speed / 12, 0, -speed / 12, -speed / 12][part];
  x += speed * Math.cos(heading);
  y += speed * Math.sin(heading);
  const time = new Date(Date.UTC(2026, 4, 4, 8) + second * 1_000).toISOString();
  points += `<trkpt lat="${40 + y / 111_320}" lon="${-105 + x / 85_276}"><time>${time}</time></trkpt>`;
}
const gpx = `<gpx version="1.1" creator="bench" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points}</trkseg></trk></gpx>`;

// A gauge that was heard for twelve seconds, and what it says in a tenth of one.
const summed = (text) => `${text} ${([...text].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 256).toString(16).padStart(2, '0')}`; // prettier-ignore
const gaugeLine = (n) => summed(`${n} ${n * 20} ${(3 + (n % 7) / 10).toFixed(2)} 3.10`);
const heard = Array.from({ length: 600 }, (_, n) => gaugeLine(n + 1));
const { listener } = calculate('gauge-live', { lines: heard });
const gaugeLines = Array.from({ length: 5 }, (_, n) => gaugeLine(601 + n));

const types = { js: 'text/javascript', wasm: 'application/wasm', html: 'text/html' };
const server = createServer((request, response) => {
  const file = request.url.slice(1) || 'index.html';
  response.setHeader('content-type', types[file.split('.').at(-1)] ?? 'text/plain');
  const built = file === worker || file === core;
  if (!built && file !== 'index.html') response.statusCode = 404;
  response.end(built ? readFileSync(join(assets, file)) : '<!doctype html>');
});
await new Promise((listening) => server.listen(0, '127.0.0.1', listening));
const address = `http://127.0.0.1:${server.address().port}`;

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
  ],
});
const page = await browser.newPage();
await page.goto(address);
const measured = await page.evaluate(
  async ({ worker, core, calls }) => {
    const running = new Worker(`/${worker}`, { type: 'module' });
    running.postMessage({ url: new URL(`/${core}`, location.href).href });
    const ask = (call) =>
      new Promise((resolve, reject) => {
        running.onmessage = ({ data }) =>
          data.broke ? reject(new Error(data.broke)) : resolve(data);
        running.postMessage({ id: 1, ...call });
      });
    const began = performance.now();
    await ask({ name: 'evenness', input: { left: 1, right: 2 } });
    const first = performance.now() - began;
    // How long the page is held up: the longest gap between two of its own ticks.
    let [longest, last] = [0, performance.now()];
    const tick = setInterval(() => {
      const now = performance.now();
      longest = Math.max(longest, now - last);
      last = now;
    }, 4);
    const times = {};
    for (const { label, call, times: count } of calls) {
      const found = [];
      for (let round = 0; round < count; round += 1) {
        const start = performance.now();
        await ask(call);
        found.push(performance.now() - start);
      }
      found.sort((a, b) => a - b);
      times[label] = { median: found[count >> 1], p95: found[Math.floor(count * 0.95)] };
    }
    clearInterval(tick);
    return { first, times, longest };
  },
  {
    worker,
    core,
    calls: [
      { label: 'soft or not, one ask', times: 200, call: { name: 'soft', input: { measure: reps[0].measure, gait: 'stand' } } }, // prettier-ignore
      { label: `one level's verdict (${ofWindow.length} reps)`, times: 100, call: { name: 'gate', input: { reps: ofWindow, date } } }, // prettier-ignore
      { label: `a whole horse (${reps.length} reps)`, times: 20, call: { name: 'judge', input: { reps, date } } }, // prettier-ignore
      { label: `its card (${reps.length} reps)`, times: 20, call: { name: 'card', input: { horse: { reps, date }, day: { minutes: 60, helper: true } } } }, // prettier-ignore
      { label: 'a curb bit under the hand, its strap looked at', times: 500, call: { name: 'curb', input: { curb, strap } } }, // prettier-ignore
      { label: 'a barrel course under the hand, with its room', times: 500, call: { name: 'cloverleaf', input: { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60, first: 'right', pockets: [[5, 4, 3], [5, 4, 3], [5, 4, 3]], gait: 'lope', placing: { origin: [65, 45] }, lay: { outline: [[0, 0], [130, 0], [136, 240], [4, 246]], fence: 'pipe', footing: 'good', keep_off: [{ kind: 'ruts', outline: [[104, 128], [121, 122], [126, 150], [111, 158]] }] } } } }, // prettier-ignore
      { label: 'a ride of two hours from its track, circles and all', times: 20, call: { name: 'ride-track', input: { gpx } } }, // prettier-ignore
      { label: 'a tenth of a second of a rein gauge', times: 300, call: { name: 'gauge-live', input: { listener, lines: gaugeLines } } }, // prettier-ignore
      { label: 'a snaffle for two hands', times: 500, call: { name: 'snaffle', input: { snaffle: { mouthpiece_in: 5, mouth_in: 4.75 }, hands: { pull_lbf: 2, apart_in: 16, high_in: 0, behind_in: 24 } } } }, // prettier-ignore
      { label: 'a road: 2,000 futures, 26 weeks, the whole ladder', times: 20, call: { name: 'road', input: { road } } }, // prettier-ignore
      { label: 'the same with 400, as while a slider moves', times: 20, call: { name: 'road', input: { road: { ...road, futures: 400 } } } }, // prettier-ignore
    ],
  },
);
await browser.close();
server.close();
const ms = (value) => `${value.toFixed(1)} ms`;
console.log(`loading, compiling, first answer: ${ms(measured.first)}`);
for (const [label, { median, p95 }] of Object.entries(measured.times))
  console.log(`${label}: median ${ms(median)}, p95 ${ms(p95)}`);
console.log(`longest the page was held up: ${ms(measured.longest)}`);
