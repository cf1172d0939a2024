import { expect, test } from '@playwright/test';
import { hold, horse, signIn } from './barn';

/**
 * What was held is lost by what the horse answers: said where it is ridden, and once on Today.
 * In the demo Halfmoon's brake at the lope failed twice on the right.
 */

test('a level too fast for the brake is said in the recorder, and is not in the way', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  const { horse_id } = await horse(page, 'Halfmoon');
  await page.goto(`/horses/${horse_id}/ride/frame.poll/lope`);
  const hint = page.getByRole('status').filter({ hasText: 'Jog and trot only' });
  await expect(hint).toContainText('the brake missed twice on the right since');
  // An emergency is no time for a form: it can be asked all the same.
  await hold(page, 'both', 700);
  await expect(page.getByTestId('half-both')).toContainText('1 asked');
  // The brake itself is what is to be asked.
  await page.goto(`/horses/${horse_id}/ride/start.brake/lope`);
  await expect(page.getByTestId('half-left')).toBeVisible();
  await expect(hint).toHaveCount(0);
});

test('what was lost is told once, with why, and again on the gate', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const { horse_id } = await horse(page, 'Halfmoon');
  const news = page.getByRole('region', { name: 'What changed' });
  const lost = news.getByText(/Bends to a halt on one rein, at the lope\. Lost: 2 of the last \d/);
  await expect(lost).toBeVisible();
  const before = await news.getByRole('button', { name: 'Seen' }).count();
  await news.getByRole('button', { name: 'Seen' }).first().click();
  await expect(news.getByRole('button', { name: 'Seen' })).toHaveCount(before - 1);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
  await expect(news.getByRole('button', { name: 'Seen' })).toHaveCount(before - 1);
  await page.goto(`/horses/${horse_id}/levels/start.brake/lope`);
  await expect(page.getByRole('region', { name: 'Gained and lost' })).toContainText(
    'Lost: 2 of the last',
  );
});
