import { expect, test } from '@playwright/test';
import { dirname, join } from 'node:path';
import { expectAllSent, hold, violations } from './barn';
import { barn } from './new-barn';
import { endPrograms, start } from './programs';

/** The rein gauge in the page: paired, watched, filling in a hold; unplugged in a ride and back. */

const { CAVESSON_BIN = '' } = process.env;

test.afterEach(endPrograms);

interface Ask {
  side: string;
  measure: { hand: string; time_s: number };
}

test('a gauge fills in what is held, is pulled out in the ride and comes back, and nothing is lost', async ({
  page,
}) => {
  const { horses } = await barn(page, 'rein-gauge');
  const standin = join(dirname(CAVESSON_BIN), 'cavesson-standin');
  const [, http] = await start(
    standin,
    ['--listen', '127.0.0.1:0', '--eyes', '127.0.0.1:0', '--flag', '127.0.0.1:0'],
    /weather on (\S+)[^]*rein gauge on/,
  );
  const tell = async (path: string) =>
    expect((await page.request.post(`${http}/${path}`)).ok()).toBe(true);

  await page.goto('/settings');
  await page.getByRole('link', { name: 'Devices' }).click();
  const address = page.getByLabel('Where it is heard on this device');
  await address.fill('ws://192.168.1.7/gauge');
  await page.getByRole('button', { name: 'Pair it' }).click();
  await expect(page.getByText('Must be on this device')).toBeVisible();
  await address.fill(`${http!.replace('http', 'ws')}/gauge`);
  await page.getByRole('button', { name: 'Pair it' }).click();
  await expect(page.getByText('Paired and heard.')).toBeVisible();
  await tell('gauge/asks?rein=right&newtons=12&seconds=0.8');
  await expect(page.getByRole('row', { name: /^right 0\.[78] s closed hand/i })).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await page.goto(`/horses/${horses.Tom}/ride/bend.flex/stand`);
  const reins = page.getByRole('group', { name: 'Rein gauge' });
  await expect(reins).toBeVisible();
  const asked = async (rein: 'left' | 'right') => {
    await tell(`gauge/asks?rein=${rein}&newtons=12&seconds=1.2`);
    await hold(page, rein, 1_200);
  };
  await asked('left');
  const last = page.locator('footer');
  await expect(last).toContainText(/closed hand/i);

  await tell('gauge/pull-out');
  await expect(page.getByText('Gauge gone. Your thumb goes on.')).toBeVisible();
  await hold(page, 'right', 500);
  await expect(last).toContainText(/fingertip/i);

  await tell('gauge/plug-in');
  await expect(reins).toBeVisible();
  await asked('right');
  await expect(last).toContainText(/closed hand/i);
  await expectAllSent(page);
  const rows = (await (await page.request.get('/api/sheets/asks')).text()).trim().split('\r\n');
  const heads = rows[0]!.split(',');
  const asks: Ask[] = rows.slice(1).map((row) => {
    const cell = (name: string) => row.split(',')[heads.indexOf(name)]!;
    return { side: cell('side'), measure: { hand: cell('hand'), time_s: Number(cell('time_s')) } };
  });
  expect(asks.map(({ side, measure }) => [side, measure.hand])).toEqual([
    ['left', 'closed_hand'],
    ['right', 'fingertip'],
    ['right', 'closed_hand'],
  ]);
  for (const { measure } of [asks[0]!, asks[2]!])
    expect(Math.abs(measure.time_s - 1.2)).toBeLessThan(0.1);

  await page.goto('/devices');
  await page.getByRole('button', { name: 'Unplug: Rein gauge' }).click();
  await expect(address).toBeVisible();
  await page.getByRole('button', { name: 'Unplug: Timing eyes' }).click();
  await expect(page.getByText(/^Unplugged since/)).toBeVisible();
  await page.getByRole('button', { name: 'Plug in: Timing eyes' }).click();
  await expect(page.getByText(/^Unplugged since/)).toHaveCount(0);
});
