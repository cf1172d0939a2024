import { expect, test, type Locator, type Page } from '@playwright/test';
import { violations } from './barn';
import { barn, type Barn } from './new-barn';

/** The day: lanes, tags on hooks, and what moving them would break. */

async function book(page: Page, of: Barn, horse: string, who: string, place: string, from: number) {
  const answer = await page.request.post(`/api/days/${of.day}/bookings`, {
    data: {
      booking_id: crypto.randomUUID(),
      kind: 'ride',
      horse_id: of.horses[horse],
      person_id: of.people[who],
      place_id: of.places[place],
      from_min: from,
      minutes: 45,
    },
  });
  expect(answer.status(), await answer.text()).toBe(201);
}

const lane = (page: Page, who: string) => page.getByRole('list', { name: who, exact: true });
const tag = (inside: Page | Locator, horse: string) =>
  inside.getByRole('button', { name: new RegExp(`^${horse}, `) });

test('a tag is moved with keys, handed on, and what it would break is said on the way', async ({
  page,
}) => {
  const of = await barn(page, 'day-keys');
  await book(page, of, 'Tom', 'Dell', 'Pen', 480);
  await book(page, of, 'Jerry', 'Juna', 'Arena', 480);
  await page.goto('/day');
  await expect(tag(lane(page, 'Dell'), 'Tom')).toHaveAccessibleName(/8:00 AM, .*pen/i);
  expect(await violations(page)).toEqual([]);

  // Half an hour later.
  await tag(page, 'Tom').focus();
  await page.keyboard.press('Space');
  for (let step = 0; step < 2; step += 1) await page.keyboard.press('ArrowDown');
  await expect(page.getByText('Tom at 8:30 AM, Dell')).toBeVisible();
  await page.keyboard.press('Space');
  await expect(tag(lane(page, 'Dell'), 'Tom')).toHaveAccessibleName(/8:30 AM/);

  // Into the other lane, where Juna is on a horse: said, and refused.
  await tag(page, 'Tom').focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  const refused = 'Juna is booked for Jerry from 8:00 AM to 8:45 AM and for Tom from 8:30 AM';
  await expect(page.getByText(refused)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(tag(lane(page, 'Dell'), 'Tom')).toHaveAccessibleName(/8:30 AM/);

  // By pointer an hour down and across, where she is free.
  const from = (await tag(page, 'Tom').boundingBox())!;
  const there = (await lane(page, 'Juna').boundingBox())!;
  await page.mouse.move(from.x + 40, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 40, { steps: 4 });
  await page.mouse.move(there.x + from.width / 2, from.y + 20 + 96, { steps: 8 });
  await expect(page.getByText('Tom at 9:30 AM, Juna')).toBeVisible();
  await page.mouse.up();
  await expect(tag(lane(page, 'Juna'), 'Tom')).toHaveAccessibleName(/9:30 AM/);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('booked, swapped, skipped for a lame horse and brought back, by touch', async ({ page }) => {
    const of = await barn(page, 'day-phone');
    await book(page, of, 'Jerry', 'Juna', 'Arena', 600);
    await page.goto('/');
    await page.getByRole('link', { name: 'Arrange the day' }).tap();
    await page.getByRole('button', { name: 'Book something' }).tap();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Horse').tap();
    await page.getByRole('option', { name: 'Tom' }).tap();
    await dialog.getByLabel('From').fill('10:15');
    await dialog.getByLabel('Who').tap();
    await page.getByRole('option', { name: 'Juna' }).tap();
    // What can't be is said before it is sent, and not sent.
    await expect(dialog.getByText(/Can't be:/)).toBeVisible();
    await expect(dialog.getByRole('button', { name: 'Book', exact: true })).toBeDisabled();
    await dialog.getByLabel('From').fill('08:00');
    await dialog.getByRole('button', { name: 'Book', exact: true }).tap();
    await expect(tag(lane(page, 'Juna'), 'Tom')).toBeVisible();

    await tag(page, 'Tom').tap();
    await dialog.getByLabel('Swap times and riders with').tap();
    await page.getByRole('option', { name: 'Jerry, 10:00 AM' }).tap();
    await dialog.getByRole('button', { name: 'Swap them' }).tap();
    await expect(tag(page, 'Tom')).toHaveAccessibleName(/10:00 AM/);
    await expect(tag(page, 'Jerry')).toHaveAccessibleName(/8:00 AM/);

    await tag(page, 'Jerry').tap();
    await dialog.getByLabel('Skip it, because').fill('Off on the left front');
    await dialog.getByRole('button', { name: 'Skip', exact: true }).tap();
    await expect(tag(page, 'Jerry')).toHaveAccessibleName(/skipped: Off on the left front/);
    await page.goto('/');
    await expect(page.getByText('Skipped: Off on the left front')).toBeVisible();
    await expect(page.getByRole('region', { name: 'Next' })).toContainText('Tom');
    await page.goto('/day');
    await tag(page, 'Jerry').tap();
    await dialog.getByRole('button', { name: 'Bring it back' }).tap();
    await expect(tag(page, 'Jerry')).not.toHaveAccessibleName(/skipped/);
    // Nothing runs out of the page sideways but the lanes themselves.
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
  });
});

test('the day prints, with the places made ready on it', async ({ page }) => {
  const of = await barn(page, 'day-print');
  await book(page, of, 'Tom', 'Dell', 'Pen', 480);
  await page.request.post(`/api/days/${of.day}/bookings`, {
    data: {
      booking_id: crypto.randomUUID(),
      kind: 'ground_dragged',
      place_id: of.places.Arena,
      from_min: 420,
      minutes: 30,
    },
  });
  await page.goto(`/day/${of.day}`);
  await expect(page.getByRole('button', { name: 'Ground dragged, Arena, 7:00 AM' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Book something' })).toBeHidden();
  await expect(tag(page, 'Tom')).toBeVisible();
});

test('a horse comes up lame, a rider goes home, it gets hot: what is hit, and one tap each', async ({
  page,
}) => {
  const of = await barn(page, 'day-came-up');
  // Tomorrow, so that nothing of it has begun.
  of.day = new Date(Date.parse(`${of.day}T12:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
  await book(page, of, 'Tom', 'Juna', 'Pen', 540);
  await book(page, of, 'Jerry', 'Juna', 'Arena', 600);
  await book(page, of, 'Sable', 'Dell', 'Arena', 840);
  await page.goto(`/day/${of.day}`);
  await page.getByRole('button', { name: 'Something came up' }).click();
  const dialog = page.getByRole('dialog');
  expect(await violations(page)).toEqual([]);
  const pick = async (label: string, option: string) => {
    await dialog.getByLabel(label, { exact: true }).click();
    await page.getByRole('option', { name: option, exact: true }).click();
  };

  await pick('What', 'Somebody goes home');
  await pick('Who', 'Juna');
  await expect(dialog.getByText('2 bookings hit:')).toBeVisible();
  // Dell is free for both; the first goes to Dell by one tap.
  await dialog.getByRole('button', { name: 'Hand to Dell' }).first().click();
  await expect(dialog.getByText('1 booking hit:')).toBeVisible();
  await dialog.getByRole('button', { name: 'Skip it' }).click();
  await expect(dialog.getByText('Nothing more today is hit by that.')).toBeVisible();

  await pick('What', "It's getting too hot");
  await pick('Too hot from', '1:00 PM');
  // Over by then, the latest first.
  await dialog.getByRole('button', { name: 'Move to 12:15 PM' }).click();
  await expect(dialog.getByText('Nothing more today is hit by that.')).toBeVisible();

  await pick('What', 'A horse came up lame');
  await pick('Horse', 'Sable');
  await dialog.getByRole('button', { name: 'Note it: off or uneven' }).click();
  await expect(dialog.getByText('Noted under Care: off or uneven.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Skip it' }).click();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(tag(lane(page, 'Dell'), 'Tom')).toBeVisible();
  await expect(tag(page, 'Jerry')).toHaveAccessibleName(/skipped: Juna went home/);
  await expect(tag(page, 'Sable')).toHaveAccessibleName(/skipped: Came up lame/);
  // Nobody books a lame horse without being told.
  await page.getByRole('button', { name: 'Book something' }).click();
  await pick('Horse', 'Sable');
  await expect(dialog.getByText(/Have Sable looked at before anybody gets on/)).toBeVisible();
});

test('a calendar link is made, read by anybody who has it, and taken back', async ({
  page,
  playwright,
  baseURL,
}) => {
  const of = await barn(page, 'day-calendar');
  await book(page, of, 'Tom', 'Dell', 'Pen', 480);
  await page.goto('/day');
  await page.getByRole('link', { name: 'Calendars' }).click();
  await page.getByLabel('Of', { exact: true }).click();
  await page.getByRole('option', { name: 'A horse' }).click();
  await page.getByLabel('Which').click();
  await page.getByRole('option', { name: 'Tom' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = await page.getByLabel('Calendar link', { exact: true }).inputValue();
  const stranger = await playwright.request.newContext({ baseURL });
  const calendar = await (await stranger.get(link)).text();
  expect(calendar).toContain('SUMMARY:Ride: Dell');
  await page.getByRole('button', { name: 'Take back the link of Tom' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
  expect((await stranger.get(link)).status()).toBe(404);
  await stranger.dispose();
});
