import { expect, test } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';

/** A sheet of an old book brought in: columns matched, errors told, taken back. */

const book = (rows: string[]) => ({
  name: 'old book.csv',
  mimeType: 'text/csv',
  // As an older program writes it: semicolons, CRLF, Western letters.
  buffer: Buffer.from(
    ['Date;Horse name;Seen by;What;Level;Rein;Hand;Secs;Weather', ...rows].join('\r\n'),
    'latin1',
  ),
});

test('a sheet is matched, looked through, mended, brought in and taken back', async ({ page }) => {
  const { day } = await barn(page, 'old-book');
  await page.goto('/records');
  await page.getByRole('link', { name: 'Bring a sheet in' }).click();
  await expect(page.getByRole('heading', { name: 'Bring a sheet in' })).toBeVisible();
  const good = `${day};Tom;;bend.flex;stand;left;fingertip;1,2;café`;
  await page
    .getByLabel('Pick the file')
    .setInputFiles(
      book([
        good,
        `${day};Nobody;;bend.flex;stand;left;fingertip;1,4;`,
        `${day};Tom;;bend.flex;stand;left;paw;x;`,
      ]),
    );
  await expect(page.getByRole('note').filter({ hasText: 'letters of an older' })).toBeVisible();
  // What was not clear by its name is matched by hand; what nobody needs stays out.
  await expect(page.getByText('Still to match')).toHaveCount(0);
  await page.getByLabel('Secs is').click();
  await page.getByRole('option', { name: 'Time (s)', exact: true }).click();
  await page.getByLabel('Seen by is').click();
  await page.getByRole('option', { name: 'Rider' }).click();
  await expect(page.getByRole('option')).toHaveCount(0);
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Look it through' }).click();
  const wrong = page.getByRole('table');
  await expect(page.getByRole('alert')).toContainText(
    "2 rows of 3 don't fit. Nothing was brought in.",
  );
  await expect(
    wrong.getByRole('row', { name: /^3 Horse There is no horse in this barn called Nobody/ }),
  ).toBeVisible();
  await expect(wrong.getByRole('row', { name: /^4 Hand/ })).toBeVisible();
  await expect(
    wrong.getByRole('row', { name: /^4 Time \(s\) Must be a number, found "x"/ }),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring it in' })).toHaveCount(0);

  await page
    .getByLabel('Pick another file')
    .setInputFiles(book([good, `${day};Tom;;bend.flex;stand;right;fingertip;1,4;`]));
  await page.getByLabel('Secs is').click();
  await page.getByRole('option', { name: 'Time (s)', exact: true }).click();
  await page.getByRole('button', { name: 'Look it through' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: '2 rows: 2 asks in 1 ride of 1 horse' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Bring it in' }).click();
  const before = page.getByRole('listitem').filter({ hasText: 'old book.csv' });
  await expect(before).toContainText('2 asks in 1 ride');
  const asks = async () =>
    (await (await page.request.get('/api/sheets/asks')).text()).split('\r\n');
  expect((await asks()).filter((row) => row.includes(',Tom,Dell,bend.flex,'))).toHaveLength(2);

  await page.getByRole('button', { name: 'Take back old book.csv' }).click();
  await expect(before).toContainText('Taken back');
  expect((await asks()).filter((row) => row.includes('bend.flex'))).toHaveLength(0);
});

test('what is no sheet says what to do', async ({ page }) => {
  await barn(page, 'no-sheet');
  await page.goto('/records/sheet');
  await page.getByLabel('Pick the file').setInputFiles({
    name: 'book.xlsx',
    mimeType: 'text/csv',
    buffer: Buffer.from('PK\u0003\u0004rest'),
  });
  await expect(page.getByRole('alert')).toContainText(
    "Is a spreadsheet's own file; save it as CSV",
  );
});
