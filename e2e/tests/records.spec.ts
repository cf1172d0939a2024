import { execFileSync } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { signIn, violations } from './barn';
import { barn } from './new-barn';

/** The barn's records as files: the demo out, and whole into a barn of its own. */

const { CAVESSON_BIN = '', CAVESSON_DATABASE_URL = '' } = process.env;

/** An empty barn, taken over, its trainer signed in on this page. */
async function emptyBarn(page: Page, handle: string) {
  const printed = execFileSync(
    CAVESSON_BIN,
    ['barn', 'new', handle, '--trainer', 'Dell', '--database-url', CAVESSON_DATABASE_URL],
    { encoding: 'utf8' },
  );
  const word = printed.match(/#([0-9a-f]+)/)![1];
  const taken = await page.request.post('/api/links/take', {
    data: {
      word,
      password: 'a steady hand',
      sign_in: 'dell',
      barn: { name: handle, handle, time_zone: 'America/Denver', units: 'us', trainer: 'Dell' },
    },
  });
  expect(taken.ok(), await taken.text()).toBe(true);
}

test('the demo goes out and comes whole into an empty barn, the file the same to the byte', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000);
  await signIn(page, 'ines@twocedars');
  await page.goto('/settings');
  await page.getByRole('link', { name: 'Records in and out' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Take the barn along' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^twocedars-\d{4}-\d\d-\d\d\.barn\.json$/);
  expect(await violations(page)).toEqual([]);

  // The large one through the API: what a browser adds is shown by the small one.
  const wren = await browser.newContext();
  const large = await wren.newPage();
  await signIn(large, 'wren@saltgrass');
  const out = await (await large.request.get('/api/barn/archive')).body();
  const own = await browser.newContext();
  const into = await own.newPage();
  await emptyBarn(into, 'archive-large');
  const { archive } = (await (
    await into.request.post('/api/barn/archive/look', {
      data: out,
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { archive: { trainers: { person_id: string }[] } };
  const began = Date.now();
  const brought = await into.request.post(
    `/api/barn/archive?person_id=${archive.trainers[0]!.person_id}`,
    { data: out, headers: { 'content-type': 'application/json' }, timeout: 120_000 },
  );
  expect(brought.ok(), await brought.text()).toBe(true);
  const back = await (await into.request.get('/api/barn/archive')).body();
  console.log(`the demo in and out: ${Date.now() - began} ms, ${out.length} bytes`);
  expect(back.equals(out)).toBe(true);
  await wren.close();
  await own.close();

  const small = await browser.newContext();
  const newcomer = await small.newPage();
  await emptyBarn(newcomer, 'archive-small');
  await newcomer.goto('/records');
  await newcomer.getByLabel('Pick the file').setInputFiles(await file.path());
  await expect(newcomer.getByText(/^Two Cedars: .* horses?, .* rides?, .* asks?/)).toBeVisible();
  await newcomer.getByRole('button', { name: 'Bring it in' }).click();
  await expect(newcomer).toHaveURL(/\/$/);
  await expect(newcomer.getByText('Two Cedars').first()).toBeVisible();

  // A barn that holds something takes none.
  await newcomer.goto('/records');
  await newcomer.getByLabel('Pick the file').setInputFiles(await file.path());
  await expect(newcomer.getByText(/This barn holds something already/)).toBeVisible();
  await newcomer.getByLabel('Pick the file').setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format": "cavesson.barn", "version": 9, "tables": {}}'),
  });
  await expect(newcomer.getByRole('alert')).toContainText('/version: must be 1 to 3, found 9');
  await small.close();
});

test('who changed what is found by words, horse and person', async ({ page }) => {
  const { horses } = await barn(page, 'who-changed');
  const traits = { data: { traits: ['hot'] } };
  expect((await page.request.put(`/api/horses/${horses.Tom}/traits`, traits)).ok()).toBe(true);
  await page.goto('/settings');
  await page.getByRole('link', { name: 'Who changed what' }).click();
  const changes = page.getByRole('list', { name: 'Changes' });
  await expect(changes.getByRole('listitem').first()).toContainText(
    "Dell set a horse's traits: Tom",
  );
  await expect(changes.getByText('Dell added a place').first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByLabel('Look for').fill('traits');
  await expect(changes.getByRole('listitem')).toHaveCount(1);
  await page.getByText('What was sent').click();
  await expect(page.getByText('"hot"')).toBeVisible();
  await page.getByLabel('Look for').fill('nobody did this');
  await expect(page.getByText('Nothing found.')).toBeVisible();
});

test('sheets go out as CSV with their columns said', async ({ page }) => {
  await barn(page, 'sheets-out');
  await page.goto('/records');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Get Horses' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^sheets-out.*-horses-\d{4}-\d\d-\d\d\.csv$/);
  const rows = (await readFile(await file.path(), 'utf8')).split('\r\n');
  expect(rows[0]).toBe('name,sex,foaled,color,markings,note,owner,program,sent_home');
  expect(rows.slice(1, 4)).toEqual([
    'Jerry,gelding,2018,bay,,,,,',
    'Sable,gelding,2018,bay,,,,,',
    'Tom,gelding,2018,bay,,,,,',
  ]);
});
