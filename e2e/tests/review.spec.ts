import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';
import { ridden } from './rides';

/** The trainer's month: figures over the barn, invoice lines as a sheet. */

test('the month of the barn, and its invoice lines with rates that fit', async ({ page }) => {
  const { horses } = await barn(page, 'the-month');
  const level = { skill: 'bend.flex', rung: 'stand' };
  for (const daysAgo of [0, 0])
    await ridden(page, { horse_id: horses.Sable!, ...level, daysAgo, seconds: [0.8, 1.1] });
  await page.goto('/outcomes');
  await page.getByRole('link', { name: 'The month' }).click();
  const sable = page.getByRole('row', { name: /^Sable/ });
  await expect(sable).toContainText('1 h');
  await expect(page.getByText('Bend 1 h')).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await page.getByLabel('Dollars for a ride').fill('a lot');
  await page.getByRole('button', { name: 'Get the sheet' }).click();
  await expect(page.getByText('Must be an amount such as 35 or 35.50')).toBeVisible();
  await page.getByLabel('Dollars for a ride').fill('40');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Get the sheet' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^invoice-lines-\d{4}-\d\d\.csv$/);
  const rows = (await readFile(await file.path(), 'utf8')).split('\r\n');
  expect(rows[0]).toBe('month,owner,horse,what,quantity,unit,rate,amount');
  expect(rows.filter((row) => /,Sable,"Rides, .*",2,ride,40\.00,80\.00$/.test(row))).toHaveLength(
    1,
  );
});
