import { expect, test } from '@playwright/test';
import { dirname, join } from 'node:path';
import { barn } from './new-barn';
import { endPrograms, start } from './programs';

/** Timing eyes: the simulated pair, what carries its times, and the run that takes one. */

const { CAVESSON_BIN = '' } = process.env;

test.afterEach(endPrograms);

test('a run through the eyes is taken by one touch on the run face, and by a typed run', async ({
  page,
  baseURL,
}) => {
  const { horses } = await barn(page, 'eyes-run');
  const retried = test.info().retry > 0 ? `-${test.info().retry}` : '';
  const standin = join(dirname(CAVESSON_BIN), 'cavesson-standin');
  const [, http, eyes] = await start(
    standin,
    ['--listen', '127.0.0.1:0', '--eyes', '127.0.0.1:0', '--flag', '127.0.0.1:0'],
    /weather on (\S+)\s+timing eyes on (\S+)/,
  );
  const timer = ['timer', '--eyes', eyes!, '--address', baseURL!, '--sign-in'];
  await start(CAVESSON_BIN, [...timer, `dell@eyes-run${retried}`], /the eyes wait for a run/, {
    CAVESSON_PASSWORD: 'a steady hand',
  });
  const ridden = async (query: string) =>
    expect((await page.request.post(`${http}/eyes/runs?${query}`)).ok()).toBe(true);

  await page.goto(`/horses/${horses.Tom}/ride/barrel.pattern/run`);
  await expect(page.getByRole('button', { name: 'Save the run' })).toBeVisible();
  // It comes while the face is open.
  await ridden('seconds=17.412');
  const times = page.getByRole('group', { name: 'Times of the eyes' });
  await times.getByRole('button', { name: /17\.412 s/ }).click();
  await expect(page.getByRole('timer')).toHaveText('17.412 s');
  await page.getByRole('button', { name: 'Save the run' }).click();
  const runs = async () => {
    const answer = await page.request.get(`/api/horses/${horses.Tom}/runs`);
    const { runs } = (await answer.json()) as { runs: { run: { time_s: number } }[] };
    return runs.map(({ run }) => run.time_s).sort();
  };
  await expect.poll(runs).toEqual([17.412]);
  // No run takes it twice; what went wrong at the eyes is said.
  await ridden('seconds=18.02&fault=dog');
  await page.goto(`/horses/${horses.Tom}/runs?add`);
  await expect(times.getByRole('button')).toHaveCount(1);
  await expect(times).toContainText('something ran through early');
  await times.getByRole('button', { name: /18\.020 s/ }).click();
  await expect(page.getByLabel('Time (s)')).toHaveValue('18.020');
  await page.getByRole('button', { name: 'Save the run' }).click();
  await expect.poll(runs).toEqual([17.412, 18.02]);
});
