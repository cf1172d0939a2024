import { expect, test } from '@playwright/test';
import { horse, signIn, violations } from './barn';
import { barn } from './new-barn';

/** The road to a date: set by hand, looked at, what if, at risk. */

const inDays = (day: string, days: number) =>
  new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

test('a goal with levels is set, its road is drawn, and what-ifs change it without the server', async ({
  page,
}) => {
  const of = await barn(page, 'road');
  const horse_id = of.horses.Tom!;
  await page.goto(`/horses/${horse_id}/road`);
  await expect(page.getByText('No date to work towards yet.')).toBeVisible();
  await page.getByRole('link', { name: 'Set goals' }).click();

  await page.getByLabel('By', { exact: true }).fill(inDays(of.day, 45));
  await page.getByLabel('What it is').fill('Fall class');
  await page.getByRole('button', { name: 'Add the goal' }).click();
  for (const name of ['Flexes to a light rein', 'Moves the hip off one leg, standing']) {
    await page.getByRole('button', { name: 'Add a level to Fall class' }).click();
    await page.getByLabel('A few letters of it').fill(name.slice(0, 12));
    await page.getByRole('dialog').getByRole('button', { name, exact: true }).click();
    await expect(page.getByRole('button', { name: `Take off ${name}` })).toBeVisible();
  }
  await page.getByRole('link', { name: 'The road to it' }).click();

  const picture = page.getByRole('img', { name: /^The road\. .* Fall class/ });
  await expect(picture).toBeVisible();
  const said = page.getByRole('status').filter({ hasText: 'Fall class' });
  await expect(said).toHaveText(/ready in time .* in 100/);
  await expect(page.getByRole('heading', { name: 'What decides' })).toBeVisible();
  await expect(page.getByText(/as no horse here has come that way/)).toBeVisible();
  expect(await violations(page)).toEqual([]);

  // From here on the core in the page answers.
  await page.context().route('**/api/calc/**', (route) => route.abort());
  const planned = await said.textContent();
  const rides = page.getByRole('slider', { name: 'Rides a week' });
  await rides.focus();
  for (let step = 0; step < 6; step++) await page.keyboard.press('ArrowLeft');
  await expect(page).toHaveURL(/rides=2$/);
  await expect(said).toHaveAttribute('aria-busy', 'false');
  await expect(said).not.toHaveText(planned!);
  await expect(said).toContainText('At risk.');
  const slower = await said.textContent();
  await page.reload();
  await expect(said).toHaveText(slower!);

  await page.getByRole('button', { name: 'Without Moves the hip off one leg, standing' }).click();
  await expect(page.getByText('left out for now')).toBeVisible();
  await expect(said).not.toHaveText(slower!);
  await page.getByRole('button', { name: /^Try: A month later/ }).click();
  await expect(page).toHaveURL(/later=4/);
  await expect(page.getByText('Every date 4 weeks later')).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(said).toHaveText(planned!);
  await expect(page).toHaveURL(/road$/);
});

test('a date at risk is said once on Today and on the horse page, and its owner hears of it', async ({
  page,
}) => {
  const of = await barn(page, 'road-risk');
  const horse_id = of.horses.Tom!;
  const goals = ['Class', 'Sale'].map((name) => ({
    kind: 'show',
    name,
    day: inDays(of.day, 10),
    levels: [{ skill: 'stop.seat', rung: 'walk' }],
  }));
  const set = await page.request.put(`/api/horses/${horse_id}/goals`, { data: goals });
  expect(set.status()).toBe(204);
  await page.goto('/');
  const risk = page.getByRole('region', { name: 'Dates at risk' });
  await expect(risk.getByText(/is at risk: ready in time less than once in 100/)).toHaveCount(1);
  await risk.getByRole('link', { name: "Tom's road" }).click();
  await expect(page.getByRole('heading', { name: "Tom's road" })).toBeVisible();
  await expect(page.getByText('At risk.').first()).toBeVisible();
  await page.goto(`/horses/${horse_id}`);
  await expect(page.getByText(/is at risk/)).toHaveCount(1);
});

test('on a phone the road fits, nothing is cut off', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.setViewportSize({ width: 390, height: 844 });
  const { horse_id } = await horse(page, 'Thimble');
  await page.goto(`/horses/${horse_id}/road`);
  const picture = page.getByRole('img', { name: /^The road\./ });
  await expect(picture).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  const frame = (await picture.boundingBox())!;
  for (const text of await picture.locator('text').all()) {
    const box = (await text.boundingBox())!;
    expect(box.x).toBeGreaterThanOrEqual(frame.x - 1);
    expect(box.x + box.width).toBeLessThanOrEqual(frame.x + frame.width + 1);
  }
});
