import { expect, test, type Page } from '@playwright/test';
import { violations } from './barn';
import { barn, type Barn } from './new-barn';

/** The week: planned, stopped, moved by hand, pinned, taken; the rest of a day planned anew. */

const next = (of: Barn) =>
  new Date(Date.parse(`${of.day}T12:00:00Z`) + 7 * 86_400_000).toISOString().slice(0, 10);

const rides = (page: Page, horse: string) =>
  page.getByRole('row', { name: new RegExp(`^${horse} `) }).getByRole('button');

test('a week is planned, changed with keys, pinned, planned again, compared and taken', async ({
  page,
}) => {
  const of = await barn(page, 'week');
  await page.goto(`/week/${next(of)}`);
  await expect(page.getByText('Tom: 0 of 5')).toBeVisible();
  await page.getByRole('button', { name: 'Plan the week' }).click();
  await expect(page.getByRole('button', { name: 'Take this plan' })).toBeVisible();
  await expect(page.getByText('Every horse gets the rides its program wants.')).toBeVisible();
  await expect(rides(page, 'Tom')).toHaveCount(5);
  await expect(page.getByText(/Found in .* at most .* better/)).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan what is left' })).toBeVisible();

  // With keys to another time: said on the way, and marked as new until it is taken.
  const first = rides(page, 'Tom').first();
  const was = (await first.getAttribute('aria-label'))!;
  await first.focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('status').filter({ hasText: /day \d/ })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(first).toHaveAccessibleName(/new here/);
  expect(await first.getAttribute('aria-label')).not.toBe(was);
  await expect(page.getByRole('heading', { name: '1 ride otherwise' })).toBeVisible();

  // Onto a day on which it is ridden already: the core in the page says so.
  await first.focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/Tom would be ridden at/)).toBeVisible();
  await page.keyboard.press('Escape');

  // Pinned, it stays where it was put when the rest is planned anew.
  await first.click();
  const sheet = page.getByRole('dialog', { name: 'Tom' });
  await sheet.getByRole('switch').check();
  await sheet.getByRole('button', { name: 'Put it there' }).click();
  await expect(first).toHaveAccessibleName(/pinned/);
  const pinned = (await first.getAttribute('aria-label'))!;
  await page.getByRole('button', { name: 'Plan it all anew' }).click();
  await expect(page.getByText(/Found in/)).toBeVisible();
  await expect(page.getByRole('button', { name: pinned, exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByRole('heading', { name: /otherwise than/ })).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('button', { name: pinned.replace(', new here', '') })).toBeVisible();

  // On the wall: the table and nothing to press.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('table', { name: 'The week by horse' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Plan what is left' })).toBeHidden();
  await expect(page.getByText('Drag a ride to another day')).toBeHidden();
});

test('a ride is dragged to another day, and what stood comes back', async ({ page }) => {
  const of = await barn(page, 'week-drag');
  const day = next(of);
  await page.goto(`/week/${day}`);
  await page.getByRole('button', { name: 'Plan the week' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan what is left' })).toBeVisible();
  const row = page.getByRole('row', { name: /^Jerry / });
  const empty = row
    .getByRole('cell')
    .filter({ hasNot: page.getByRole('button') })
    .first();
  const tag = row.getByRole('button').first();
  const from = (await tag.boundingBox())!;
  const to = (await empty.boundingBox())!;
  await page.mouse.move(from.x + 30, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 50, from.y + 22, { steps: 3 });
  await page.mouse.move(from.x + 30 + to.x - from.x, from.y + 22, { steps: 8 });
  await page.mouse.up();
  await expect(row.getByRole('button', { name: /new here/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'Back to what stands' }).click();
  await expect(row.getByRole('button', { name: /new here/ })).toHaveCount(0);
});

test('a search is stopped, and the best so far is there', async ({ page }) => {
  const of = await barn(page, 'week-stop');
  await page.goto(`/week/${next(of)}`);
  // As a large barn would take longer, the search is held up on its way.
  await page.route('**/api/weeks/*/solves', (route) =>
    route.continue({
      postData: JSON.stringify({ ...route.request().postDataJSON(), seconds: 60 }),
    }),
  );
  let stopped = false;
  page.on('request', (asked) => {
    stopped ||= asked.method() === 'DELETE' && asked.url().includes('/api/solves/');
  });
  await page.route('**/api/solves/*', async (route) => {
    const answer = await route.fetch();
    const shown = (await answer.json().catch(() => ({}))) as { found?: unknown };
    // What was found is held back until somebody stops it.
    await route.fulfill({
      response: answer,
      json: stopped || route.request().method() === 'DELETE' ? shown : { ...shown, found: null },
    });
  });
  await page.getByRole('button', { name: 'Plan the week' }).click();
  await expect(page.getByRole('progressbar', { name: 'Looking for a plan' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop, take the best so far' }).click();
  await expect(page.getByRole('button', { name: 'Take this plan' })).toBeVisible();
});

test('the rest of a day is planned anew around a lame horse', async ({ page }) => {
  const of = await barn(page, 'week-lame');
  const day = next(of);
  await page.goto(`/week/${day}`);
  await page.getByRole('button', { name: 'Plan the week' }).click();
  await page.getByRole('button', { name: 'Take this plan' }).click();
  await expect(page.getByRole('button', { name: 'Plan what is left' })).toBeVisible();
  const tom = (await (await page.request.get(`/api/weeks/${day}`)).json()) as {
    instance: { days: { date: string }[] };
    stood: { ride: { horse_id: string; day: number } }[];
  };
  const ride = tom.stood.find((one) => one.ride.horse_id === of.horses.Tom)!.ride;
  await page.goto(`/day/${tom.instance.days[ride.day]!.date}`);
  await page.getByRole('button', { name: 'Something came up' }).click();
  const dialog = page.getByRole('dialog', { name: 'Something came up' });
  await dialog.getByLabel('Horse').click();
  await page.getByRole('option', { name: 'Tom' }).click();
  await dialog.getByRole('button', { name: 'Plan the rest of the day anew' }).click();
  const found = dialog.getByRole('region', { name: 'The rest of the day' });
  await expect(found).toContainText('Tom: off today (came up lame)');
  await found.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByRole('button', { name: /^Tom, .*skipped: Came up lame/ })).toBeVisible();
});
