import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { violations } from './barn';
import { barn } from './new-barn';
import { ridden } from './rides';

/** What an owner sees: by a secret link, taken back; a report, edited, sent, on paper. */

const level = { skill: 'bend.flex', rung: 'stand' };

async function tomRidden(page: Page, name: string) {
  const made = await barn(page, name);
  const horse_id = made.horses.Tom!;
  for (const daysAgo of [40, 2, 1, 0])
    await ridden(page, { horse_id, ...level, daysAgo, seconds: [0.8, 1.1, 0.7, 4, 0.9, 1.2] });
  await ridden(page, {
    horse_id: made.horses.Jerry!,
    ...level,
    daysAgo: 1,
    seconds: [2, 2],
    note: 'Jerry ran off.',
  });
  return { ...made, horse_id };
}

test('a link shows one horse to whoever has it, and nothing once it is taken back', async ({
  page,
  browser,
}) => {
  const { horse_id } = await tomRidden(page, 'owner-link');
  await page.goto(`/horses/${horse_id}/owner`);
  await page.getByRole('textbox', { name: 'Tell the owner' }).fill('He waits at the gate now.');
  await page.getByRole('button', { name: 'Show it' }).click();
  await expect(page.getByText('Today. He waits at the gate now.')).toBeVisible();
  await page.getByLabel('For whom').fill('Mrs. Alder');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const handed = page.getByRole('region', { name: 'Link for Mrs. Alder' });
  const address = await handed.getByLabel('Link').inputValue();
  expect(address).toMatch(/\/my-horse#[0-9a-f]{32}$/);
  expect(await violations(page)).toEqual([]);

  const elsewhere = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const owner = await elsewhere.newPage();
  const asked: string[] = [];
  owner.on('request', (request) => asked.push(request.url()));
  await owner.goto(address);
  await expect(owner.getByRole('heading', { level: 1, name: 'Tom' })).toBeVisible();
  await expect(owner.getByText('Tom was ridden')).toBeVisible();
  await expect(owner.getByText('He waits at the gate now.')).toBeVisible();
  for (const hidden of ['Jerry', 'Dell', 'Juna'])
    await expect(owner.getByText(hidden)).toHaveCount(0);
  // The word goes into no address that a server writes down.
  const word = address.split('#')[1]!;
  expect(asked.filter((url) => url.split('#')[0]!.includes(word))).toEqual([]);
  expect(await violations(owner)).toEqual([]);

  await page.getByRole('button', { name: 'Take back the link for Mrs. Alder' }).click();
  await expect(page.getByRole('list', { name: 'Links made' })).toBeEmpty();
  await owner.reload();
  await expect(
    owner.getByRole('heading', { name: "This link doesn't work any more" }),
  ).toBeVisible();
  const shut = await owner.request.post('/api/horse-links/open', { data: { word } });
  expect(shut.status()).toBe(404);
  await elsewhere.close();
});

/** Of the rides of today and the two days before, those of this month: early in it, fewer. */
function bendOfThisMonth(): string {
  const month = (daysAgo: number) =>
    new Date(Date.now() - daysAgo * 24 * 3600 * 1000 - 3600 * 1000).toLocaleDateString('en-US', {
      timeZone: 'America/Denver',
      month: 'long',
    });
  const today = new Date().toLocaleDateString('en-US', {
    timeZone: 'America/Denver',
    month: 'long',
  });
  const rides = [2, 1, 0].filter((daysAgo) => month(daysAgo) === today).length;
  return `Bend: ${5 * rides} of ${6 * rides} asks soft, on ${rides === 1 ? '1 ride' : `${rides} rides`}`;
}

test('a report is written, edited, sent, and read from its PDF by another program', async ({
  page,
}) => {
  const { horse_id } = await tomRidden(page, 'owner-report');
  await page.goto(`/horses/${horse_id}/owner`);
  await page.getByRole('combobox', { name: 'Month' }).click();
  await page.getByRole('option').first().click();
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  await expect(page.getByText('A draft: nobody but trainers sees it.')).toBeVisible();
  const rides = page.getByRole('region', { name: 'In the saddle' });
  await expect(rides.getByText(/^Tom was ridden/)).toBeVisible();
  const figures = await rides.innerText();

  await page.getByRole('button', { name: 'Edit the words' }).click();
  await page.getByLabel('From your trainer').fill('He is honest.\nCome and see him.');
  await page.getByLabel('Care and load').fill('');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Come and see him.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Care and load' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Send to the owner' }).click();
  await expect(page.getByText(/^Sent: the owner sees it/)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^Tom-[A-Z][a-z]+-\d{4}\.pdf$/);
  const bytes = new Uint8Array(await readFile(await file.path()));
  const pdf = await getDocument({ data: bytes }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, at) => {
      const sheet = await pdf.getPage(at + 1);
      const { items } = await sheet.getTextContent();
      const { fnArray } = await sheet.getOperatorList();
      return {
        text: items.map((item) => ('str' in item ? item.str : '')).join(' '),
        lines: fnArray.filter((drawn) => drawn === OPS.constructPath).length,
      };
    }),
  );
  const text = pages
    .map((one) => one.text)
    .join(' ')
    .replaceAll(/\s+/g, ' ');
  for (const words of [
    'He is honest.',
    'Come and see him.',
    figures.split('\n').at(-1)!,
    'What we worked on',
    bendOfThisMonth(),
    `page 1 of ${pages.length}`,
  ])
    expect(text).toContain(words);
  expect(text).not.toContain('Care and load');
  // The pictures are drawn, not left out.
  expect(pages.reduce((sum, one) => sum + one.lines, 0)).toBeGreaterThan(100);
});

test('on paper a page is seen by day, without what is only for the screen', async ({ page }) => {
  const { horse_id } = await tomRidden(page, 'owner-paper');
  await page.addInitScript(() => localStorage.setItem('cavesson.light', 'evening'));
  await page.goto(`/horses/${horse_id}/owner`);
  await expect(page.getByText('Tom was ridden')).toBeVisible();
  const ink = () => page.evaluate(() => getComputedStyle(document.body).color);
  const byEvening = await ink();
  await page.emulateMedia({ media: 'print' });
  await expect.poll(ink).not.toBe(byEvening);
  expect(await ink()).toBe('rgb(34, 27, 20)');
  await expect(page.getByRole('button', { name: 'Make a link' })).toBeHidden();
  await expect(page.getByRole('banner')).toBeHidden();
});
