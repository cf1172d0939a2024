// SIGKILL to server, PostgreSQL and browser in random order while six devices record:
// four that speak the API from a queue on disk, two browsers with real holds. Afterwards
// every ask that was acknowledged or queued is in the tables exactly once.
//
//   node soak/kill.mjs ROUNDS     (through bin/soak kill)

import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { appendFileSync, mkdirSync, readFileSync, existsSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';

const rounds = Number(process.argv[2] ?? 60);
const { CAVESSON_BIN, CAVESSON_PORT, SOAK_CLUSTER, SOAK_CLUSTER_PORT, SOAK_WORK } = process.env;
const root = new URL('../..', import.meta.url).pathname;
const address = `http://127.0.0.1:${CAVESSON_PORT}`;
const password = 'loose-rein-26';

// A generator of its own, so that a run can be told again.
let seed = 26;
const random = () => {
  seed = (seed * 1_664_525 + 1_013_904_223) % 4_294_967_296;
  return seed / 4_294_967_296;
};
const wait = (ms) => new Promise((done) => setTimeout(done, ms));

const cluster = (call) =>
  execFileSync('bash', ['-c', `source '${root}/bin/lib/cluster.sh'; ${call}`], {
    stdio: ['ignore', 'pipe', 'pipe'],
  }).toString();
const startCluster = () => cluster(`cluster_start '${SOAK_CLUSTER}' ${SOAK_CLUSTER_PORT}`);
const sql = (query) => cluster(`cluster_sql ${SOAK_CLUSTER_PORT} soak -c "${query}"`).trim();

let server;
const browsers = [];
function startServer() {
  const listen = `127.0.0.1:${CAVESSON_PORT}`;
  const web = join(root, 'web/dist');
  const told = ['serve', '--listen', listen, '--web', web, '--sign-in-tries', '10000'];
  server = spawn(CAVESSON_BIN, told, { stdio: 'ignore' });
}

async function healthy() {
  for (let tries = 0; tries < 600; tries += 1) {
    const answer = await fetch(`${address}/api/health`).catch(() => null);
    if (answer?.ok) return;
    if (server.exitCode !== null || server.signalCode !== null) startServer();
    await wait(100);
  }
  throw new Error('the server does not come back');
}

async function signIn(who) {
  for (;;) {
    const answer = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ sign_in: `${who}@saltgrass`, password }),
    }).catch(() => null);
    if (answer?.ok) {
      const { person_id } = await answer.json();
      return { person_id, cookie: answer.headers.get('set-cookie').split(';')[0] };
    }
    await wait(200);
  }
}

let ended = false;

/** A device with a queue on disk: what it asked is written before it is sent. */
async function apiDevice(number, who, horseId) {
  const file = join(SOAK_WORK, `device-${number}.jsonl`);
  const asked = [];
  const sent = new Set();
  const session = await signIn(who);
  const ask = () => {
    const [ride_id, block_id] = [randomUUID(), randomUUID()];
    const started = Date.now() - 60_000;
    const level = { skill: 'bend.flex', rung: 'stand' };
    const ride = {
      ride_id,
      horse_id: horseId,
      started_at: new Date(started).toISOString(),
      finished_after_ms: 50_000,
      blocks: [{ block_id, position: 0, ...level }],
    };
    const reps = [0, 1, 2].map((sequence) => ({
      rep_id: randomUUID(),
      ride_id,
      block_id,
      ...level,
      side: sequence % 2 ? 'left' : 'right',
      sequence,
      asked_after_ms: sequence * 10_000,
      asked_at: new Date(started + sequence * 10_000).toISOString(),
      measure: { kind: 'give', hand: 'fingertip', time_s: 1.1, answer: 'gave' },
    }));
    appendFileSync(file, `${JSON.stringify({ ride, reps })}\n`);
    asked.push({ ride, reps });
  };
  const send = async () => {
    const waiting = asked.filter(({ ride }) => !sent.has(ride.ride_id)).slice(0, 20);
    if (waiting.length === 0) return;
    const answer = await fetch(`${address}/api/batches`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: session.cookie },
      body: JSON.stringify({
        person_id: session.person_id,
        sent_at: new Date().toISOString(),
        rides: waiting.map(({ ride }) => ride),
        reps: waiting.flatMap(({ reps }) => reps),
      }),
      signal: AbortSignal.timeout(10_000),
    }).catch(() => null);
    if (answer?.ok) for (const { ride } of waiting) sent.add(ride.ride_id);
    else if (answer && answer.status < 500)
      throw new Error(`${answer.status} ${await answer.text()}`);
  };
  while (!ended) {
    ask();
    await send();
    await wait(60);
  }
  while (asked.some(({ ride }) => !sent.has(ride.ride_id))) await send();
  const lines = existsSync(file) ? readFileSync(file, 'utf8').trim().split('\n') : [];
  return lines.flatMap((line) => JSON.parse(line).reps.map((rep) => rep.rep_id));
}

const flags = ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--no-first-run'];
flags.push('--disable-background-networking', '--disable-component-update', '--disable-sync');

/** A browser with real holds by key; killed, it starts again on the same profile. */
class BrowserDevice {
  constructor(number, who, horseId) {
    this.profile = join(SOAK_WORK, `profile-${number}`);
    mkdirSync(this.profile, { recursive: true });
    Object.assign(this, { who, horseId, seen: 0 });
    this.opened = new Promise((done) => (this.ready = done));
  }

  async open() {
    this.context = await chromium.launchPersistentContext(this.profile, {
      executablePath: '/usr/bin/chromium',
      args: flags,
    });
    this.page = this.context.pages()[0] ?? (await this.context.newPage());
    await this.page.goto(`${address}/`).catch(() => undefined);
    const name = this.page.getByLabel('Sign-in');
    const ready = this.page.getByRole('navigation', { name: 'Pages' });
    await name.or(ready).first().waitFor({ timeout: 20_000 });
    if (await name.isVisible()) {
      await name.fill(`${this.who}@saltgrass`);
      await this.page.getByLabel('Password').fill(password);
      await this.page.getByRole('button', { name: 'Go to the barn' }).click();
      await ready.waitFor({ timeout: 20_000 });
    }
    await this.page.goto(`${address}/horses/${this.horseId}/ride/bend.flex/stand`);
    await this.page.getByRole('button', { name: 'Finish' }).waitFor({ timeout: 20_000 });
  }

  /** Browser processes of this profile, killed at once. */
  async kill() {
    this.killNow();
    await wait(300);
  }

  killNow() {
    const found = execFileSync('bash', [
      '-c',
      `pgrep -f -- '--user-data-dir=${this.profile}' || true`,
    ]);
    for (const pid of found.toString().trim().split('\n').filter(Boolean)) {
      try {
        process.kill(Number(pid), 'SIGKILL');
      } catch {
        // Gone with its parent already.
      }
    }
  }

  async count() {
    const said = await this.page.getByTestId('half-left').textContent();
    return Number(/(\d+) asked/.exec(said)?.[1] ?? 0);
  }

  /** Opens however often it takes: server and database go down meanwhile. */
  async openAtLast() {
    for (let tries = 0; ; tries += 1) {
      try {
        await this.open();
        return;
      } catch (error) {
        if (tries > 30) throw error;
        await this.kill();
        await healthy();
      }
    }
  }

  async run() {
    await this.openAtLast();
    this.ready();
    while (!ended) {
      try {
        const question = this.page.getByRole('alertdialog', { name: 'A hold was cut off' });
        if (await question.isVisible()) {
          await question.getByRole('button', { name: 'Gave', exact: true }).click();
          continue;
        }
        await this.page.keyboard.down('f');
        await wait(180);
        await this.page.keyboard.up('f');
        await wait(120);
        // Counted on the screen is kept on the disk.
        this.seen = Math.max(this.seen, await this.count());
      } catch (error) {
        if (!/closed|crash|Target|imeout|ERR_|context/i.test(String(error))) throw error;
        await this.openAtLast();
      }
    }
    // Everything out, then what this device holds.
    await healthy();
    for (let tries = 0; tries < 300; tries += 1) {
      const { waiting, ids, refused } = await this.page.evaluate(kept);
      if (refused.length > 0) throw new Error(`refused: ${JSON.stringify(refused, null, 1)}`);
      if (waiting === 0) {
        await this.context.close();
        return { ids, seen: this.seen };
      }
      await wait(200);
    }
    throw new Error('a browser did not send all');
  }
}

/** Runs in the page: what the device holds. */
async function kept() {
  const done = (request) =>
    new Promise((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(request.error);
    });
  const found = { waiting: 0, refused: [], ids: [] };
  for (const { name } of await indexedDB.databases()) {
    if (!name.startsWith('cavesson-') || name === 'cavesson-fetched') continue;
    const db = await done(indexedDB.open(name));
    for (const rep of await done(db.transaction('reps').objectStore('reps').getAll())) {
      found.ids.push(rep.repId);
      if (rep.state === 'waiting') found.waiting += 1;
      if (rep.state === 'refused') found.refused.push(rep);
    }
    for (const ride of await done(db.transaction('rides').objectStore('rides').getAll()))
      if (ride.state === 'refused') found.refused.push(ride);
    db.close();
  }
  return found;
}

// However it ends, nothing of it stays behind.
process.on('exit', () => {
  server.kill('SIGKILL');
  for (const browser of browsers) browser.killNow();
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(130));

startServer();
await healthy();
const { cookie } = await signIn('wren');
const horses = await (await fetch(`${address}/api/horses`, { headers: { cookie } })).json();
const horse = (name) => horses.find((found) => found.name === name).horse_id;
const before = Number(sql('select count(*) from rep'));

browsers.push(
  new BrowserDevice(1, 'tobin', horse('Marlow Fen')),
  new BrowserDevice(2, 'pia', horse('Thimble')),
);
const devices = [
  apiDevice(1, 'wren', horse('Oatcake')),
  apiDevice(2, 'wren', horse('Oatcake')),
  apiDevice(3, 'tobin', horse('Kettle')),
  apiDevice(4, 'pia', horse('Quill')),
];
const runs = browsers.map((browser) => browser.run());
for (const run of [...devices, ...runs]) {
  run.catch((error) => {
    console.error(error);
    process.exit(1);
  });
}

const kills = { server: 0, PostgreSQL: 0, browser: 0 };
const victims = Object.keys(kills);
await Promise.all(browsers.map((browser) => browser.opened));
for (let round = 0; round < rounds; round += 1) {
  const victim = victims[Math.floor(random() * victims.length)];
  kills[victim] += 1;
  if (victim === 'server') {
    server.kill('SIGKILL');
    await wait(200 + random() * 400);
    startServer();
  } else if (victim === 'PostgreSQL') {
    const pid = readFileSync(join(SOAK_CLUSTER, 'postmaster.pid'), 'utf8').split('\n')[0];
    process.kill(Number(pid), 'SIGKILL');
    for (let tries = 0; ; tries += 1) {
      await wait(500);
      try {
        // A postmaster that is still dying counts as running: only an answer is a start.
        startCluster();
        sql('select 1');
        break;
      } catch (error) {
        if (tries > 20) throw error;
      }
    }
  } else {
    await browsers[Math.floor(random() * browsers.length)].kill();
  }
  await healthy();
  await wait(600 + random() * 1_200);
  if (round % 10 === 9) console.log(`${round + 1} rounds`);
}
ended = true;

const fromApi = (await Promise.all(devices)).flat();
const fromBrowsers = await Promise.all(runs);
server.kill('SIGTERM');

const expected = [...fromApi, ...fromBrowsers.flatMap(({ ids }) => ids)];
const stored = new Map();
for (const id of sql('select rep_id from rep').split('\n'))
  stored.set(id, (stored.get(id) ?? 0) + 1);
const missing = expected.filter((id) => !stored.has(id));
const twice = [...stored].filter(([, times]) => times > 1);
const strangers = stored.size - before - new Set(expected).size;
const shortOf = fromBrowsers.filter(({ ids, seen }) => ids.length < seen);

console.log(
  `${rounds} rounds: ${victims.map((victim) => `${kills[victim]} x ${victim}`).join(', ')}`,
);
console.log(
  `${fromApi.length} asks of four devices, ${expected.length - fromApi.length} holds of two browsers`,
);
console.log(
  `missing ${missing.length}, twice ${twice.length}, not of these devices ${strangers}, counted on a screen and lost ${shortOf.length}`,
);
const good = missing.length + twice.length + strangers + shortOf.length === 0;
console.log(good ? 'every ask is there exactly once' : 'FAILED');
process.exit(good ? 0 : 1);
