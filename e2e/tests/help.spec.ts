import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { horse, signIn, violations } from './barn';

/** Inside help: how it judges, a tip at a picture, the picture as a file that stands alone. */

test('how it judges is said to trainers and owners each in their own words', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.getByRole('button', { name: /Wren/ }).click();
  await page.getByRole('menuitem', { name: 'How it judges' }).click();
  await expect(page.getByText('at least 12 asks on each side on 3 days')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goto('/my-horse/how-it-judges');
  await expect(page.getByRole('heading', { name: 'Going back is not failing' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a picture says how it is read, and is saved as an SVG that any program draws', async ({
  page,
  browser,
}) => {
  await signIn(page, 'wren@saltgrass');
  const { horse_id } = await horse(page, 'Thimble');
  await page.goto(`/horses/${horse_id}/levels/bend.flex/stand`);
  await page.getByText('How to read this').click();
  await expect(page.getByText(/Each rail is something to be shown/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the picture' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('Thimble-gate.svg');
  const svg = await readFile(await file.path(), 'utf8');
  expect(svg).not.toContain('rem"');
  // On a page of its own it is drawn as it was.
  const alone = await (await browser.newContext()).newPage();
  await alone.setContent(`<img id="it" src="data:image/svg+xml;utf8,${encodeURIComponent(svg)}">`);
  const size = await alone.evaluate(async () => {
    const image = document.querySelector<HTMLImageElement>('#it')!;
    await image.decode();
    return [image.naturalWidth, image.naturalHeight];
  });
  expect(Math.min(...size)).toBeGreaterThan(200);
  await alone.context().close();
});
