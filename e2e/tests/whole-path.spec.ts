import { expect, test } from '@playwright/test';
import { expectAllSent, expectAsked, hold, signIn, storedReps } from './barn';

test('from Today through a ride to the open gate and back to a single ask', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  // Oatcake is one soft day away from the next rung.
  const ride = page.getByRole('link', { name: 'Ride Oatcake' });
  await ride.first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Oatcake' })).toBeVisible();

  const held = await hold(page, 'left', 1200);
  await expectAsked(page, 'left', 1);
  await hold(page, 'right', 500);
  await hold(page, 'left', 400);
  await hold(page, 'right', 400);
  await hold(page, 'right', 700);
  await expectAsked(page, 'right', 3);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expectAsked(page, 'right', 2);
  await expectAllSent(page);

  const [first, ...others] = await storedReps(page, 'Oatcake');
  expect(others).toHaveLength(3);
  expect(first?.measure.answer).toBe('gave');
  // As long as it was held, seen from outside the browser, to a tenth of a second.
  const time_s = first?.measure.time_s ?? 0;
  expect(time_s).toBeGreaterThanOrEqual(held.least - 0.1);
  expect(time_s).toBeLessThanOrEqual(held.most + 0.1);

  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { name: 'Confirm before, advance now' })).toBeVisible();
  await expect(
    page.getByRole('img', { name: 'Rein strip: left 2 of 2 soft, right 2 of 2 soft' }),
  ).toBeVisible();
  await page.locator('summary', { hasText: 'Every ask in words' }).click();
  await expect(
    page.getByRole('table', { name: 'Every ask in words' }).getByRole('row'),
  ).toHaveCount(5);

  await page.getByRole('link', { name: 'See the gate' }).click();
  await expect(page.getByRole('group', { name: 'The gate stands open' })).toBeVisible();
  await page.getByRole('link', { name: /^First ask soft.*left/ }).click();
  await expect(page.getByText('First ask soft, left side')).toBeVisible();
  await page.locator('[data-rep]').first().click();
  await expect(
    page.getByText(`Left: gave after ${time_s.toFixed(1)} s, fingertip. The first ask`),
  ).toBeVisible();
  await page.getByRole('link', { name: 'See the ride' }).click();
  await expect(page.locator('tr[aria-current=true]')).toContainText('first ask');

  const ridden = new URL(page.url()).pathname;
  await page.getByRole('link', { name: 'Back to Today' }).click();
  const line = page.locator(`a[href="${ridden}"]`);
  await expect(line).toHaveAccessibleName(/^Ridden .* 4 asks$/);
});
