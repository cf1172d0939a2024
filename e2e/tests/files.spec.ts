import { gpx as toGeoJson } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import { expect, test, type Page } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';

/**
 * Files of devices, read in the page: a ride's track, a rein gauge's trace. Both are made here
 * from circles, pulls and times that are known.
 */

const degreeM = 111_320;

/** A track of circles to the left at a jog: so many, of that radius, a point a second. */
function circlesGpx(rounds: number, radiusM: number): string {
  const speed = 2.6;
  const seconds = Math.round((rounds * 2 * Math.PI * radiusM) / speed);
  const [latitude, longitude] = [40.5, -105.2];
  const points = Array.from({ length: seconds + 1 }, (_, at) => {
    const angle = (at * speed) / radiusM;
    const [x, y] = [radiusM * Math.cos(angle), radiusM * Math.sin(angle)];
    const lon = longitude + x / (degreeM * Math.cos((latitude * Math.PI) / 180));
    const time = new Date(Date.UTC(2026, 4, 4, 14, 0, at)).toISOString();
    return `<trkpt lat="${(latitude + y / degreeM).toFixed(8)}" lon="${lon.toFixed(8)}"><time>${time}</time></trkpt>`;
  });
  return `<?xml version="1.0"?><gpx version="1.1" creator="a check" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
}

/** Fifty readings a second: the hands carry 3 N, and take hold for these asks. */
function traceCsv(asks: { rein: 'left' | 'right'; at: number; lasts: number; newtons: number }[]) {
  const rows = ['t,left,right'];
  for (let index = 0; index < 50 * 30; index++) {
    const t = index / 50;
    const pull = (rein: string) =>
      asks
        .filter((ask) => ask.rein === rein && t >= ask.at && t < ask.at + ask.lasts)
        .reduce((sum, ask) => sum + ask.newtons * Math.min(1, (t - ask.at) / 0.25), 3);
    rows.push(`${t.toFixed(2)},${pull('left').toFixed(2)},${pull('right').toFixed(2)}`);
  }
  return rows.join('\r\n');
}

const file = (name: string, text: string) => ({
  name,
  mimeType: 'text/plain',
  buffer: Buffer.from(text),
});

async function drawnArena(page: Page, placeId: string) {
  const lay = {
    outline: [
      [0, 0],
      [130, 0],
      [130, 240],
      [0, 240],
    ],
    fence: 'pipe',
    footing: 'good',
  };
  const answer = await page.request.put(`/api/places/${placeId}/lay`, { data: lay });
  expect(answer.ok(), await answer.text()).toBe(true);
}

test('a track is read in the page, circled, and laid over the plan', async ({ page }) => {
  const { horses, places } = await barn(page, 'a-track');
  await drawnArena(page, places.Arena!);
  await page.goto(`/horses/${horses.Tom}/tapes`);
  await page.getByRole('link', { name: 'Track of a ride' }).click();
  await page.getByLabel('Pick the track').setInputFiles(file('ride.gpx', circlesGpx(5, 10)));
  const circles = page.getByRole('region', { name: 'Circles' });
  // Five rounds were ridden; the last one may not close.
  await expect(circles.getByRole('row', { name: /Left Jog 6[4-7] ft/ })).not.toHaveCount(0);
  expect(await circles.getByRole('row').count()).toBeGreaterThanOrEqual(5);
  await expect(
    page.getByRole('img', { name: /^To the left 2 min, to the right 0 s/ }),
  ).toBeVisible();
  await page.getByRole('combobox', { name: 'Ridden in' }).click();
  await page.getByRole('option', { name: 'Arena' }).click();
  await expect(page.getByTestId('track')).toBeVisible();
  await page.getByRole('slider', { name: 'Turn the track' }).press('ArrowRight');
  await expect(page.getByText('Turned by 1 degrees')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByLabel('Pick the track').setInputFiles(file('no.gpx', '<gpx><trk>'));
  await expect(page.getByRole('alert')).toContainText('Cannot be read as GPX');
});

test('asks of a rein gauge are offered, and become a ride when they are kept', async ({ page }) => {
  const { horses } = await barn(page, 'a-trace');
  await page.goto(`/horses/${horses.Tom}/gauge`);
  const asks = [
    { rein: 'left', at: 3, lasts: 1, newtons: 8 },
    { rein: 'right', at: 8, lasts: 1.5, newtons: 8 },
    { rein: 'left', at: 14, lasts: 0.8, newtons: 8 },
  ] as const;
  await page.getByLabel('Pick the trace').setInputFiles(file('ride.csv', traceCsv([...asks])));
  await expect(page.getByText('3 asks found.')).toBeVisible();
  await page.getByLabel('Keep ask 3').uncheck();
  await page.getByLabel('Answer of ask 2').selectOption('did_not_give');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Keep 2 asks' }).click();
  await expect(page).toHaveURL(/\/rides\//);
  const ride = (await (await page.request.get(`/api${new URL(page.url()).pathname}`)).json()) as {
    timeline: { side: string; measure: { time_s: number; answer: string } }[];
  };
  const kept = ride.timeline.map(({ side, measure }) => [
    side,
    measure.answer,
    Math.abs(measure.time_s - (side === 'left' ? 1 : 1.5)) < 0.1,
  ]);
  expect(kept).toEqual([
    ['left', 'gave', true],
    ['right', 'did_not_give', true],
  ]);

  await page.goto(`/horses/${horses.Tom}/gauge`);
  await page.getByLabel('Pick the trace').setInputFiles(file('no.csv', 't,left,right\n0,3,x\n'));
  await expect(page.getByRole('alert')).toContainText('Line 2: the right rein must be a number');
});

interface Feature {
  geometry: { type: string; coordinates: number[][][] };
  properties: { coordinateProperties: { times: string[][] } };
}

test('another reader finds the same points, times and length in the same file', async ({
  page,
}) => {
  // Two segments ten minutes apart, with what else such files hold: heights, names, extensions.
  const at = (n: number) => {
    const time = new Date(Date.UTC(2026, 4, 4, 14, 0, n + (n < 900 ? 0 : 600))).toISOString();
    const [latitude, longitude] = [44.1 + 0.0006 * Math.sin(n / 40), -103.2 + 0.00002 * n];
    return `<trkpt lat="${latitude.toFixed(7)}" lon="${longitude.toFixed(7)}"><ele>${1020 + (n % 5)}</ele><time>${time}</time><extensions><hr>88</hr></extensions></trkpt>`;
  };
  const points = Array.from({ length: 1_800 }, (_, n) => at(n));
  const gpx = `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="a check" xmlns="http://www.topografix.com/GPX/1/1"><metadata><name>Ride &amp; back</name></metadata><wpt lat="44.1" lon="-103.2"><name>Gate</name></wpt><trk><name>Out</name><trkseg>${points.slice(0, 900).join('\n')}</trkseg><trkseg>${points.slice(900).join('\n')}</trkseg></trk></gpx>`;
  const document = new DOMParser().parseFromString(gpx, 'text/xml') as unknown as Document;
  const { features } = toGeoJson(document) as unknown as { features: Feature[] };
  const { geometry, properties } = features.find(
    ({ geometry }) => geometry.type === 'MultiLineString',
  )!;
  const [lines, { times }] = [geometry.coordinates, properties.coordinateProperties];
  const minutes = times.map((of) => (Date.parse(of.at(-1)!) - Date.parse(of[0]!)) / 60_000);
  const miles = lines.map((line) =>
    line.slice(1).reduce((sum, point, index) => sum + arcMiles(line[index]!, point), 0),
  );
  const said = await page.request.post('/api/calc/ride-track', { data: { gpx } });
  const ours = (await said.json()) as { minutes: number; miles: number };
  const all = (parts: number[]) => parts.reduce((sum, part) => sum + part, 0);
  expect(lines.map((line) => line.length)).toEqual([900, 900]);
  expect(Math.abs(ours.minutes / all(minutes) - 1)).toBeLessThan(0.001);
  expect(Math.abs(ours.miles / all(miles) - 1)).toBeLessThan(0.005);
});

/** Miles of a great circle on a sphere of the mean radius of WGS 84 (haversine). */
function arcMiles([east, north]: number[], [east2, north2]: number[]): number {
  const rad = (degrees: number) => (degrees * Math.PI) / 180;
  const [a, b] = [rad(north!), rad(north2!)];
  const h =
    Math.sin((b - a) / 2) ** 2 + Math.cos(a) * Math.cos(b) * Math.sin(rad(east2! - east!) / 2) ** 2;
  return (2 * 6_371_008.8 * Math.asin(Math.sqrt(h))) / 1_609.344;
}
