import { readdir } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { expectAllSent, expectAsked, hold, openRecorder, signIn } from './barn';

/**
 * The core in the page: what it computes is what the server's core computes, and asks
 * are soft or not without signal.
 */

type Json = null | boolean | number | string | Json[] | { [name: string]: Json };

/** The built worker and core, as the application loads them. */
async function built() {
  const files = await readdir(new URL('../../web/dist/assets', import.meta.url));
  const find = (pattern: RegExp) => {
    const found = files.find((file) => pattern.test(file));
    if (!found) throw new Error(`the build has no ${pattern}: is the core in the browser built?`);
    return `/assets/${found}`;
  };
  return { worker: find(/^worker-.*\.js$/), core: find(/^core-.*\.wasm$/) };
}

interface Call {
  name: string;
  input: Json;
}

/** The answers of the core in the page, one a call. */
async function inThePage(page: Page, calls: Call[]): Promise<Json[]> {
  // As text: the page and the test need not agree on more.
  const answers = await page.evaluate(
    async ({ worker: url, core, text }) => {
      const worker = new Worker(url, { type: 'module' });
      worker.postMessage({ url: new URL(core, location.href).href });
      const found: unknown[] = [];
      for (const [id, call] of (JSON.parse(text) as object[]).entries()) {
        const reply = await new Promise<{ outcome?: unknown; broke?: string }>(
          (resolve, reject) => {
            worker.onmessage = ({ data }) => resolve(data as { outcome?: unknown });
            worker.onerror = ({ message }) => reject(new Error(message));
            worker.postMessage({ id, ...call });
          },
        );
        if (reply.broke !== undefined) throw new Error(`broke: ${reply.broke}`);
        found.push(reply.outcome);
      }
      worker.terminate();
      return JSON.stringify(found);
    },
    { ...(await built()), text: JSON.stringify(calls) },
  );
  return JSON.parse(answers) as Json[];
}

/** What the server's core answers; a field that does not fit as the page's says it. */
async function onTheServer(page: Page, { name, input }: Call): Promise<Json> {
  const answer = await page.request.post(`/api/calc/${name}`, { data: input });
  const body = (await answer.json()) as { errors?: Json[] };
  return answer.ok() ? { output: body as Json } : { error: body.errors?.[0] ?? null };
}

/** The libraries' last digit differs; texts and verdicts may not. */
function differences(page: Json, server: Json, path = ''): string[] {
  if (typeof page === 'number' && typeof server === 'number') {
    const off = Math.abs(page - server) / Math.max(1, Math.abs(server));
    return off <= 1e-12 ? [] : [`${path}: ${page}, on the server ${server}`];
  }
  if (page && server && typeof page === 'object' && typeof server === 'object') {
    const names = new Set([...Object.keys(page), ...Object.keys(server)]);
    const at = (value: Json, name: string) => (value as { [name: string]: Json })[name] ?? null;
    return [...names].flatMap((name) =>
      differences(at(page, name), at(server, name), `${path}/${name}`),
    );
  }
  return page === server ? [] : [`${path}: ${String(page)}, on the server ${String(server)}`];
}

async function expectTheSame(page: Page, calls: Call[]) {
  const answers = await inThePage(page, calls);
  for (const [index, call] of calls.entries()) {
    const server = await onTheServer(page, call);
    expect(differences(answers[index]!, server), call.name).toEqual([]);
  }
  return answers;
}

const give = (time_s: number, answer: string): Json => ({
  kind: 'give',
  hand: 'fingertip',
  time_s,
  answer,
});

const asks: Json[] = [
  { skill: 'bend.flex', rung: 'stand', left: 5, right: 5 },
  { skill: 'bend.hip', rung: 'walk', left: 3, right: 3 },
];

/** Golden inputs of every calculator, wrong ones among them. */
const golden: Call[] = [
  { name: 'share', input: { soft: 81, asked: 263 } },
  { name: 'share', input: { soft: 9, asked: 12, days: [[4, 4], [4, 4], [1, 4]], prior_icc: 0.05 } }, // prettier-ignore
  { name: 'share', input: { soft: 9, asked: 4 } },
  { name: 'give-times', input: { left: [[1, true], [4, false], [2.5, true]], right: [[1, true], [0.7, true]], horizon_s: 6 } }, // prettier-ignore
  { name: 'evenness', input: { left: 2.25, right: 1.75 } },
  { name: 'trend', input: { day: [0, 2, 3, 7, 9, 12], value: [0.4, 0.5, 0.45, 0.7, 0.8, 0.75] } },
  { name: 'ewma', input: { value: [52, 47, 53, 49.3], target: 50, sd: 2.0539, lambda: 0.3, width: 3 } }, // prettier-ignore
  { name: 'cusum', input: { value: [9.45, 7.99, 9.29, 11.66], target: 10, k: 0.5, h: 5 } },
  { name: 'soft', input: { measure: give(1.4, 'gave'), gait: 'walk' } },
  { name: 'soft', input: { measure: give(1.4, 'evaded_out'), gait: 'lope' } },
  { name: 'soft', input: { measure: give(400, 'gave'), gait: 'lope' } },
  { name: 'quit', input: { asks: [{ side: 'left', soft: true }], brand_new: true, sex: 'mare' } },
  { name: 'quit', input: { asks: [], green: 'yes' } },
  { name: 'gate', input: { reps: [], date: '2026-05-04' } },
  { name: 'judge', input: { reps: [], date: '2026-05-04' } },
  { name: 'judge', input: { reps: [{ skill: 'bend.flex' }], date: '2026-05-04' } },
  { name: 'card', input: { horse: { reps: [], date: '2026-05-04' }, day: { minutes: 30, helper: true } } }, // prettier-ignore
  { name: 'card', input: { horse: { reps: [], date: '2026-05-04' }, day: { minutes: 3 } } },
  { name: 'intake', input: { story: { days_ridden: 90, helper: true }, barn: [{ days_ridden: 40, holds: [{ skill: 'bend.flex', rung: 'stand' }] }], asks: [{ level: { skill: 'start.bend-ground', rung: 'stand' }, side: 'left', soft: true }], sex: 'mare', seed: 7 } }, // prettier-ignore
  { name: 'intake', input: { story: { minutes: 3 } } },
  { name: 'day-rules', input: { day: { bookings: [{ booking_id: '01890000-0000-7000-8000-000000000001', kind: 'ride', horse_id: '01890000-0000-7000-8000-000000000002', person_id: '01890000-0000-7000-8000-000000000003', place_id: null, from_min: 450, minutes: 45, cattle: false }, { booking_id: '01890000-0000-7000-8000-000000000004', kind: 'vet', horse_id: '01890000-0000-7000-8000-000000000002', person_id: null, place_id: null, from_min: 480, minutes: 30, cattle: false }], people: [], horses: [], places: [] }, change: { change: 'skip', booking_id: '01890000-0000-7000-8000-000000000004' }, hours24: true } }, // prettier-ignore
  { name: 'curb', input: { curb: { purchase_in: 2.25, shank_in: 5.5, jaw_in: 2.1, pull_lbf: 3, pull_angle_deg: 80, rotation_deg: 35 }, strap: { half_length_in: 3.4, hole_spacing_in: 0.5, holes_shorter: 2, holes_longer: 3 } } }, // prettier-ignore
  { name: 'curb', input: { curb: { purchase_in: 0, shank_in: 5.5, jaw_in: 2.1, pull_lbf: 3, pull_angle_deg: 80, rotation_deg: 35 } } }, // prettier-ignore
  { name: 'snaffle', input: { snaffle: { mouthpiece_in: 5.5, mouth_in: 5 }, hands: { pull_lbf: 4, apart_in: 16, high_in: -3, behind_in: 24 } } }, // prettier-ignore
  { name: 'show-rules', input: { piece: { kind: 'curb', shank_overall_in: 8.5, port_in: 4 }, class: { age_years: 7, hands: 'one' } } }, // prettier-ignore
  { name: 'bit-change', input: { steps: [{ step: 'mouth', answer: 'ok' }, { step: 'strap_out', answer: 'bothered' }, { step: 'strap_out', answer: 'bothered' }] } }, // prettier-ignore
  { name: 'two-rein', input: { rides: [{ segments: [{ start_min: 0, bosal_pct: 90 }, { start_min: 12, bosal_pct: 60 }], events: [{ at_min: 20, ask: 'for_bridle' }], end_min: 41 }], start_bosal_pct: 90 } }, // prettier-ignore
  { name: 'lay', input: { geojson: '{"type":"Polygon","coordinates":[[[-105.3,40.2],[-105.2995,40.2],[-105.2995,40.2007],[-105.3,40.2007],[-105.3,40.2]]]}' } }, // prettier-ignore
  { name: 'cloverleaf', input: { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60, first: 'left', pockets: [[5, 4, 3], [6, 4, 3], [5, 5, 2.5]], gait: 'lope', rides_up: 'free', placing: { origin: [60, 50], rotation_deg: 12 }, moved: [[1, 2], [0, 0], [-3, 4]], lay: { outline: [[0, 0], [140, 0], [150, 260], [0, 240]], fence: 'pipe', footing: 'good', keep_off: [{ kind: 'ruts', outline: [[20, 90], [30, 90], [26, 104]] }] } } }, // prettier-ignore
  { name: 'fit-course', input: { outline: [[0, 0], [110, 0], [120, 190], [0, 200]], keep_off: [[[20, 90], [30, 90], [26, 104]]] } }, // prettier-ignore
  { name: 'setting-out', input: { course: { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60 }, first: 'right', placing: { origin: [60, 50], rotation_deg: 3 }, lay: { outline: [[0, 0], [140, 0], [140, 260], [0, 260]], fence: 'pipe', footing: 'good', posts: [{ name: 'gate post', at: [0, 0] }, { name: 'corner', at: [140, 0] }, { name: 'far corner', at: [140, 260] }] } } }, // prettier-ignore
  { name: 'drill', input: { plan: { drill: 'three_circles', size_ft: 32, first: 'right', laps: 3, placing: { origin: [10, 20], rotation_deg: 40 } } } }, // prettier-ignore
  { name: 'trail-check', input: { course: [{ obstacle: { kind: 'poles', gait: 'jog', poles: 4, spacing_ft: 3.25 }, at: [10, 20], heading_deg: 90 }, { obstacle: { kind: 'bridge', width_in: 40, length_ft: 8, height_in: 6 }, at: [60, 80], heading_deg: 200 }] } }, // prettier-ignore
  { name: 'runs', input: { runs: [{ day: '2026-09-01', time_s: 18.2, path_ft: 473, splits_s: [4.1, 4.6, 5.2, 4.3], knocked: 1 }, { day: '2026-09-04', time_s: 17.9, path_ft: 430 }] } }, // prettier-ignore
  { name: 'homography', input: { pairs: [{ film: [100, 700], ground: [0, 0] }, { film: [1100, 690], ground: [90, 0] }, { film: [800, 300], ground: [90, 200] }, { film: [400, 310], ground: [0, 200] }, { film: [600, 420], ground: [45, 90] }], film: [[640, 500], [0, -4000]] } }, // prettier-ignore
  { name: 'tape', input: { tape: { name: 'Run', day: '2026-09-01', films: [{ name: 'a.webm', length_s: 30, frame_s: 0.04, width_px: 1200, height_px: 720 }], marks: [{ film: 0, at_s: 1, mark: { kind: 'line_in' } }, { film: 0, at_s: 4.2, mark: { kind: 'spot', barrel: 1, spot: 2 } }, { film: 0, at_s: 1.1, mark: { kind: 'hoof_beat' } }, { film: 0, at_s: 1.6, mark: { kind: 'hoof_beat' } }, { film: 0, at_s: 2.2, mark: { kind: 'hoof_beat' } }], known: [{ film: 0, name: 'a', seen: [100, 700], ground: [0, 0] }, { film: 0, name: 'b', seen: [1100, 690], ground: [90, 0] }, { film: 0, name: 'c', seen: [800, 300], ground: [90, 200] }, { film: 0, name: 'd', seen: [400, 310], ground: [0, 200] }], track: [{ film: 0, at_s: 4.1, seen: [640, 500] }, { film: 0, at_s: 4.4, seen: [620, 480] }] }, barrels: [[45, 60], [0, 60], [45, 150]] } }, // prettier-ignore
  { name: 'honesty', input: { stopped: [true, true, false, true, false, false] } },
  {
    name: 'sheet-look',
    input: {
      sheet: 'rides',
      bytes: [...Buffer.from('Date;Horse;Min\n5/4/2026;Caf\xe9;45\n', 'latin1')],
      whole: true,
    },
  },
  { name: 'gauge-hold', input: { asks: [{ side: 'left', onset_s: 3, peak_s: 3.4, release_s: 4.2, time_to_give_s: 1.2, peak_n: 12, hand: 'closed_hand' }], heard: [[1, 101.2], [2, 102.1]], hold: { side: 'left', pressed_s: 103.3, released_s: 104.5 } } }, // prettier-ignore
  { name: 'ride-track', input: { gpx: `<gpx version="1.1" creator="w" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${Array.from({ length: 120 }, (_, n) => `<trkpt lat="${39.7 + 0.0001 * Math.sin(n / 6)}" lon="${-104.9 + 0.00013 * Math.cos(n / 6)}"><time>2026-05-04T08:0${Math.floor(n / 60)}:${String(n % 60).padStart(2, '0')}Z</time></trkpt>`).join('')}</trkseg></trk></gpx>` } }, // prettier-ignore
  { name: 'gauge-asks', input: { csv: Array.from({ length: 900 }, (_, n) => `${n / 50},${n % 300 > 200 ? 12 : 3},3`).join('\n') } }, // prettier-ignore
  { name: 'gauge-live', input: { lines: ['1 20 3.00 3.10 95', '2 40 3.10 3.00 97', 'broken'] } }, // prettier-ignore
  { name: 'next-cow', input: { horse_id: '01890000-0000-7000-8000-000000000001', tempo: 'medium', today: [{ tempo: 'medium', position: 'even', shoulders: 'leaked', weight: 'behind', waited: true, result: 'turned' }, { tempo: 'medium', position: 'past', shoulders: 'leaked', weight: 'behind', waited: true, result: 'lost' }], cattle: [{ cow_id: '01890000-0000-7000-8000-000000000011', tempo: 'medium', honesty: 0.8, works_left: 2 }, { cow_id: '01890000-0000-7000-8000-000000000012', tempo: 'slow', honesty: 0.62, works_left: 1, worked: 3 }] } }, // prettier-ignore
  { name: 'match-cattle', input: { horses: [{ horse_id: '01890000-0000-7000-8000-000000000001', tempo: 'medium' }, { horse_id: '01890000-0000-7000-8000-000000000002', tempo: 'slow', first: true }], cattle: [{ cow_id: '01890000-0000-7000-8000-000000000011', tempo: 'slow', honesty: 0.8, works_left: 2 }, { cow_id: '01890000-0000-7000-8000-000000000012', tempo: 'quick', honesty: 0.62, works_left: 1, worked: 3 }] } }, // prettier-ignore
  { name: 'flag-program', input: { level: 'medium', width_ft: 60, seed: 26, minutes: 2, more_side: 'left', runs_ahead: true } }, // prettier-ignore
  { name: 'cow-step', input: { round: { seed: 26, level: 'hard' }, steer: Array.from({ length: 3600 }, (_, n) => [((n * 37) % 200) / 100 - 1, ((n * 53) % 160) / 100 - 0.8]) } }, // prettier-ignore
  { name: 'tape', input: { tape: { name: '', day: '2026-09-01', films: [] } } },
  { name: 'pace', input: { histories: [{ horse_id: '01890000-0000-7000-8000-000000000001', level: { skill: 'bend.flex', rung: 'stand' }, rides: 14, held: true }, { horse_id: '01890000-0000-7000-8000-000000000002', level: { skill: 'bend.flex', rung: 'stand' }, rides: 22, held: false }] } }, // prettier-ignore
  { name: 'road', input: { with_helps: true, road: { today: '2026-06-01', levels: [{ level: { skill: 'bend.flex', rung: 'stand' }, asked_rides: 4 }], goals: [{ name: 'Go-home day', day: '2026-08-01', levels: [{ skill: 'bend.ribs', rung: 'walk' }] }], rides_a_week: 4, futures: 200, seed: 7 } } }, // prettier-ignore
  { name: 'week-rules', input: { instance: { days: [{ date: '2026-06-01' }, { date: '2026-06-02' }], horses: [{ horse_id: '01890000-0000-7000-8000-000000000002', name: 'Tom', wanted: 2, most_rides_a_day: 1, most_days: 6, priority: 1.5, hot_or_green: true, works: [{ kind: 'ride', minutes: 45, place_ids: ['01890000-0000-7000-8000-000000000005'], at_most: 6, gate_soon: true }] }], riders: [{ person_id: '01890000-0000-7000-8000-000000000003', name: 'Juna', role: 'rider', clearance: { only_horses: null, rigs: [], cattle: false, first_rides: false }, days: [{ day: 0, from_min: 420, to_min: 900, most_horses: 4 }], knows: [{ horse_id: '01890000-0000-7000-8000-000000000002', share: 0.6 }] }], places: [{ place_id: '01890000-0000-7000-8000-000000000005', name: 'Pen', horses_at_once: 1 }] }, plan: [{ day: 0, from_min: 480, horse_id: '01890000-0000-7000-8000-000000000002', work: 0, person_id: '01890000-0000-7000-8000-000000000003', place_id: '01890000-0000-7000-8000-000000000005' }, { day: 1, from_min: 480, horse_id: '01890000-0000-7000-8000-000000000002', work: 0, person_id: '01890000-0000-7000-8000-000000000003', place_id: '01890000-0000-7000-8000-000000000005' }], other: [] } }, // prettier-ignore
  { name: 'day-rules', input: { day: { bookings: [], people: [], horses: [], places: [{ place_id: '01890000-0000-7000-8000-000000000005', name: 'Pen', horses_at_once: 0 }] } } }, // prettier-ignore
  { name: 'load', input: { load: [100, 200, 0, 100, 200, 0, 100], sex: 'mare' } },
  { name: 'load', input: { load: [1, -1] } },
  { name: 'heat', input: { temperature_f: 92, humidity_pct: 61.5 } },
  { name: 'cool-out', input: { readings: [{ minute: 0, pulse: 120, breaths: 60 }, { minute: 20, pulse: 64, breaths: 30, temperature_f: 103.4 }] } }, // prettier-ignore
  { name: 'cool-out', input: { readings: [{ minute: 0, pulse: 5, breaths: 60 }] } },
  { name: 'simulate-horse', input: { seed: 3, rides: { count: 3, first_day: '2026-01-05', asks: [] } } }, // prettier-ignore
];

test('every calculator answers in the page what it answers on the server', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const listed = (await (await page.request.get('/api/calc')).json()) as { name: string }[];
  expect([...new Set(golden.map(({ name }) => name))].sort()).toEqual(
    // The planner's own is not in the page: its solver is the server's.
    listed
      .map(({ name }) => name)
      .filter((name) => name !== 'week')
      .sort(),
  );
  await expectTheSame(page, golden);
});

test('two hundred simulated horses are judged in the page as on the server', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const horses = Array.from({ length: 200 }, (_, seed): Call => {
    const rides = { count: 4 + (seed % 12), first_day: '2026-02-02', asks };
    return { name: 'simulate-horse', input: { seed, rides } };
  });
  const simulated = await expectTheSame(page, horses);
  expect(simulated.filter((answer) => !(answer as { output?: Json }).output)).toEqual([]);
  const judged = simulated.map((answer): Call => {
    const { output } = answer as { output: { reps: { day: string }[] } };
    const date = output.reps.at(-1)?.day ?? '2026-02-02';
    return { name: 'judge', input: { reps: output.reps as Json, date } };
  });
  await expectTheSame(page, judged);
});

test('an ask is soft or not without signal, and the server says the same', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  await openRecorder(page, 'Quill');
  await page.context().setOffline(true);
  await hold(page, 'left', 400);
  await expectAsked(page, 'left', 1);
  await expect(page.getByTestId('half-left')).toContainText('1 soft');
  await hold(page, 'left', 2_600);
  await expect(page.getByTestId('half-left')).toContainText('2 asked, 1 soft');
  await page.context().setOffline(false);
  await expectAllSent(page);
  await expect(page.getByTestId('half-left')).toContainText('2 asked, 1 soft');
});

interface Judgement {
  level: { skill: string; rung: string };
  judgement: Json;
}

test('a horse taken along is judged in the page as on the server, every level', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  const horses = (await (await page.request.get('/api/horses')).json()) as { horse_id: string }[];
  let levels = 0;
  for (const { horse_id } of horses) {
    levels += await unchanged(page, horse_id, async ({ program, reps, context, date }) => {
      const input = { program, reps, context, date };
      const [answer] = await inThePage(page, [{ name: 'judge', input }]);
      const { verdicts } = (answer as unknown as { output: { verdicts: Judgement[] } }).output;
      const found: string[] = [];
      for (const { level, judgement } of verdicts) {
        const path = `/api/horses/${horse_id}/levels/${level.skill}/${level.rung}`;
        const server = (await (await page.request.get(path)).json()) as Judgement;
        found.push(...differences(judgement, server.judgement, path));
      }
      return { found, compared: verdicts.length };
    });
  }
  expect(levels).toBeGreaterThan(9);
});

interface Pack {
  version: number;
  program: Json;
  reps: Json;
  context: Json;
  date: string;
  day: Json;
}

/**
 * Compares page and server on one horse, anew when another check recorded something on
 * it meanwhile; how much was compared.
 */
async function unchanged(
  page: Page,
  horse_id: string,
  compare: (pack: Pack) => Promise<{ found: string[]; compared: number }>,
): Promise<number> {
  const read = async () =>
    (await (await page.request.get(`/api/horses/${horse_id}/pack`)).json()) as Pack;
  for (let tries = 0; tries < 5; tries += 1) {
    const pack = await read();
    const { found, compared } = await compare(pack);
    if (JSON.stringify(await read()) !== JSON.stringify(pack)) continue;
    expect(found, horse_id).toEqual([]);
    return compared;
  }
  throw new Error(`${horse_id} never stood still`);
}

test('the card of every horse is built in the page as on the server', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const horses = (await (await page.request.get('/api/horses')).json()) as { horse_id: string }[];
  let cards = 0;
  for (const { horse_id } of horses) {
    cards += await unchanged(page, horse_id, async (pack) => {
      const { program, reps, context, date } = pack;
      const days = [20, 45, 90].map((minutes): Json => ({
        ...(pack.day as object),
        minutes,
        helper: minutes > 20,
      }));
      const calls = days.map((day): Call => ({
        name: 'card',
        input: { horse: { program, reps, context, date }, day },
      }));
      const built = await inThePage(page, calls);
      const found: string[] = [];
      for (const [index, day] of days.entries()) {
        const answer = await page.request.post(`/api/horses/${horse_id}/card`, { data: day });
        const { card } = (built[index] as unknown as { output: { card: Json } }).output;
        found.push(...differences(card, (await answer.json()) as Json));
      }
      return { found, compared: days.length };
    });
  }
  expect(cards).toBeGreaterThan(20);
});

test('after a ride without signal the verdict is there, and the server says the same', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await page.evaluate(() => navigator.serviceWorker.ready);
  const taken = page.waitForResponse(/\/pack$/);
  await openRecorder(page, 'Kettle');
  await (await taken).finished();
  await page.context().setOffline(true);
  for (const side of ['left', 'right', 'left'] as const) await hold(page, side, 400);
  await expectAsked(page, 'left', 2);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { name: 'Kept on this device' })).toBeVisible();
  const verdict = page.getByRole('region', { name: 'Flexes to a light rein' }).getByRole('status');
  await expect(verdict).not.toBeEmpty();
  const [said, takes] = await verdict.getByRole('paragraph').allTextContents();
  await page.context().setOffline(false);
  await expect(page.getByRole('heading', { level: 1, name: 'Kettle' })).toBeVisible();
  await expect(page.getByRole('status').getByText(said!, { exact: true })).toBeVisible();
  await expect(page.getByRole('status').getByText(takes!, { exact: true })).toBeVisible();
});
