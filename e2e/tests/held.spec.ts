import { expect, test, type Page } from '@playwright/test';
import { hold } from './barn';
import { barn } from './new-barn';
import { ridden } from './rides';

/** What was held is lost by what the horse answers: said where it is ridden, and once on Today. */

/** A horse that was placed by hand, and whose brake at the lope failed on the right since. */
async function whoseBrakeFailed(page: Page, name: string) {
  const { horses } = await barn(page, name);
  const horse_id = horses.Tom!;
  const placed = await page.request.post(`/api/horses/${horse_id}/placings`, {
    data: {
      placing_id: crypto.randomUUID(),
      levels: [
        { skill: 'start.brake', rung: 'lope' },
        { skill: 'frame.poll', rung: 'jog' },
      ],
    },
  });
  expect(placed.ok(), await placed.text()).toBe(true);
  for (const daysAgo of [3, 2])
    await ridden(page, {
      horse_id,
      skill: 'start.brake',
      rung: 'lope',
      daysAgo,
      seconds: [1, 9, 1, 1],
    });
  return horse_id;
}

test('a level too fast for the brake is said in the recorder, and is not in the way', async ({
  page,
}) => {
  const horse_id = await whoseBrakeFailed(page, 'brakefast');
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
  const horse_id = await whoseBrakeFailed(page, 'brakenews');
  await page.goto('/');
  const news = page.getByRole('region', { name: 'What changed' });
  await expect(news).toContainText(/Tom/);
  await expect(news).toContainText(/2 of the last \d+ on the right weren't soft/);
  await news.getByRole('button', { name: /^Seen/ }).first().click();
  await expect(news).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
  await expect(news).toHaveCount(0);
  await page.goto(`/horses/${horse_id}/levels/start.brake/lope`);
  await expect(page.getByRole('region', { name: 'Gained and lost' })).toContainText('Lost:');
});
