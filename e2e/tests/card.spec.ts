import { expect, test, type Page } from '@playwright/test';
import { expectAllSent, hold, horse, signIn, violations } from './barn';

/** The card of a ride: what is asked, in which order and why; changed by a tap, ridden by it. */

const parts = (page: Page) => page.getByRole('list', { name: 'Parts of the ride' });
const named = (page: Page, name: string | RegExp) => parts(page).getByRole('listitem', { name });

async function openCard(page: Page, name: string) {
  const { horse_id } = await horse(page, name);
  await page.goto(`/horses/${horse_id}/card`);
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await expect(named(page, 'Walk out')).toBeVisible();
  return horse_id;
}

const minutes = async (page: Page) =>
  Number((await page.getByText(/Today's card: \d+ min/).textContent())?.match(/\d+/)?.[0]);

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a whole card is ridden without signal, part by part', async ({ page }) => {
    await signIn(page, 'wren@saltgrass');
    const today = page.getByRole('link', { name: /^Card: \d+ min/ });
    await expect(today.first()).toBeVisible();
    await openCard(page, 'Thimble');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.context().setOffline(true);
    await named(page, 'Check over').getByRole('button', { name: 'Led out' }).tap();
    await named(page, 'Check over').getByRole('button', { name: 'Quiet now' }).tap();
    await expect(named(page, 'Check over')).toContainText('Quiet after 0 min');
    await page.getByRole('button', { name: 'Ride this card' }).tap();

    const bar = page.getByRole('navigation', { name: 'Parts of the ride' }).getByRole('link');
    await expect(bar.first()).toContainText('Brake');
    await expect(bar.first()).toHaveAttribute('aria-current', 'step');
    // Twice a side: one ask finds a brake that fails too late.
    for (const side of ['left', 'right', 'left', 'right'] as const) await hold(page, side, 400);
    await expect(bar.first()).toContainText('4 of 4');
    const count = await bar.count();
    expect(count).toBeGreaterThan(3);
    for (let part = 1; part < count; part += 1) {
      await bar.nth(part).tap();
      await expect(bar.nth(part)).toHaveAttribute('aria-current', 'step');
    }
    await page.context().setOffline(false);
    await expectAllSent(page);
    // What was asked on the way changes the card no more.
    await expect(bar).toHaveCount(count);
    const { horse_id } = await horse(page, 'Thimble');
    await page.request.get(`/api/horses/${horse_id}/pack`);
    await page.getByRole('button', { name: 'Finish' }).tap();
    await expect(page).toHaveURL(/\/rides\//);
  });
});

test('a part is swapped, dropped, added and moved by one tap, and the minutes follow', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await openCard(page, 'Halfmoon');
  expect(await minutes(page)).toBeLessThanOrEqual(45);
  await page.getByRole('button', { name: '5 minutes more' }).click();
  await page.getByRole('button', { name: '5 minutes more' }).click();
  await expect(page.getByText(/of 55$/)).toBeVisible();

  const swap = parts(page)
    .getByRole('button', { name: /^Swap / })
    .first();
  const before = (await swap.getAttribute('aria-label'))?.replace('Swap ', '') ?? '';
  const instead = (await swap.textContent())?.replace('Swap for: ', '') ?? '';
  await swap.click();
  await expect(named(page, before)).toHaveCount(0);
  await expect(named(page, instead).first()).toBeVisible();
  await expect(named(page, instead).first()).toContainText('You put it on the card.');

  await parts(page)
    .getByRole('button', { name: `Drop ${instead}` })
    .first()
    .click();
  await expect(named(page, instead)).toHaveCount(0);

  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('A few letters of it').fill('poll to two reins, at the walk');
  await page.getByRole('button', { name: /poll to two reins, at the walk/ }).click();
  await expect(named(page, /poll to two reins, at the walk/).first()).toBeVisible();

  const order = async () =>
    (await parts(page).getByRole('listitem').all()).map((part) => part.getAttribute('aria-label'));
  const was = await Promise.all(await order());
  const later = parts(page)
    .getByRole('button', { name: /^Later: / })
    .first();
  const moved = (await later.getAttribute('aria-label'))?.replace('Later: ', '') ?? '';
  await later.click();
  await expect
    .poll(async () => (await Promise.all(await order())).indexOf(moved))
    .not.toBe(was.indexOf(moved));
  // Kept on the device until the day is over.
  await page.reload();
  await expect(page.getByText(/of 55$/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the first card' }).click();
  await expect(page.getByText(/of 45$/)).toBeVisible();
  await expect(named(page, before).first()).toBeVisible();
});

test('heat and traits change the card, and it says why', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const horse_id = await openCard(page, 'Quill');
  await page.getByRole('button', { name: "It's warm" }).click();
  await page.getByLabel('Temperature').fill('96');
  await page.getByLabel('Humidity').fill('60');
  await expect(page.getByRole('note', { name: 'What limits it' })).toContainText(
    'Hot: short and slow',
  );
  await expect(page.getByText(/of 20$/)).toBeVisible();
  await page.getByLabel('Humidity').fill('160');
  await expect(page.getByText('0 to 100')).toBeVisible();

  await page.goto(`/horses/${horse_id}`);
  const traits = page.getByRole('region', { name: 'Traits' });
  await expect(traits).toContainText('Less two-rein work');
  const chip = traits.getByRole('button', { name: /Cold-backed/ });
  await chip.click();
  await expect(chip).toHaveAttribute('aria-pressed', 'true');
  await expect(traits).toContainText('Three more minutes in hand before mounting');
  await chip.click();
  await expect(chip).toHaveAttribute('aria-pressed', 'false');
});

test('a card is printed whole on one page, and axe finds nothing on it', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await openCard(page, 'Oatcake');
  expect(await violations(page)).toEqual([]);
  await page.emulateMedia({ media: 'print' });
  const printed = page.getByRole('table', { name: 'The card' });
  await expect(printed).toContainText('When the breath is quiet.');
  await expect(printed.getByRole('row')).not.toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Ride this card' })).toBeHidden();
  const pdf = await page.pdf({ format: 'Letter', printBackground: true });
  const pages = pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g) ?? [];
  expect(pages).toHaveLength(1);
});

test('an owner reads the card and changes nothing', async ({ page }) => {
  await signIn(page, 'odell@saltgrass');
  await openCard(page, 'Oatcake');
  await expect(page.getByRole('button', { name: /Swap|Drop|Ride this card|Led out/ })).toHaveCount(
    0,
  );
});

test('a ride says what it was ridden in, and is closed out in a few taps', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Halfmoon');
  await page.goto(`/horses/${horse_id}/ride/bend.flex/stand`);
  const bar = page.getByRole('navigation', { name: 'Parts of the ride' });
  await bar.getByRole('button', { name: /Ridden in/ }).click();
  await page.getByRole('button', { name: 'Snaffle', exact: true }).click();
  await expect(bar.getByRole('button', { name: /Ridden in/ })).toContainText('Snaffle');
  await hold(page, 'left', 300);
  await bar.getByRole('button', { name: /Ridden in/ }).click();
  await page.getByLabel('Its name, if it has one').fill('Horsehair');
  await page.getByRole('button', { name: 'Bosal', exact: true }).click();
  await hold(page, 'right', 300);
  await expectAllSent(page);
  await page.getByRole('button', { name: 'Finish' }).click();

  const close = page.getByRole('region', { name: 'Close out' });
  await close.getByRole('button', { name: 'On a good one' }).click();
  await close.getByRole('button', { name: 'Willing' }).click();
  await close.getByLabel('One line for next time').fill('Left side first.');
  await close.getByRole('button', { name: 'Keep' }).click();
  await expect(close.getByRole('button', { name: 'Kept' })).toBeVisible();
  await expect(close).toContainText('Next time');
  await expect(page.getByText('Ridden in: snaffle, then bosal (Horsehair)')).toBeVisible();
  const ride = `/api${new URL(page.url()).pathname}`;
  await expect
    .poll(async () => (await (await page.request.get(ride)).json()) as object)
    .toMatchObject({ ended: 'good_one', mood: 'willing', note: 'Left side first.' });
  expect(await violations(page)).toEqual([]);
});

test('rider and helper record one ride on two devices, each seeing the other', async ({
  page,
  browser,
}) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Juniper Ash');
  await page.goto(`/horses/${horse_id}/ride/bend.flex/stand`);
  await hold(page, 'left', 300);
  await expectAllSent(page);

  const helper = await (await browser.newContext()).newPage();
  await signIn(helper, 'pia@saltgrass');
  await helper.getByRole('button', { name: 'Join the ride on Juniper Ash' }).click();
  // What the rider asked before is there, and so is what comes.
  await expect(helper.getByTestId('half-left')).toContainText('1 asked');
  await hold(helper, 'right', 300);
  await expect(page.getByTestId('half-right')).toContainText('1 asked');
  await hold(page, 'left', 300);
  await expect(helper.getByTestId('half-left')).toContainText('2 asked');

  // Both without signal: one ride still, nothing doubled.
  await page.context().setOffline(true);
  await helper.context().setOffline(true);
  await hold(page, 'left', 300);
  await hold(helper, 'right', 300);
  await page.context().setOffline(false);
  await helper.context().setOffline(false);
  await expectAllSent(page);
  await expectAllSent(helper);
  await expect(page.getByTestId('half-right')).toContainText('2 asked');
  await expect(helper.getByTestId('half-left')).toContainText('3 asked');
  const { string } = (await (await page.request.get('/api/today')).json()) as {
    string: { horse: { horse_id: string }; rides: { asked: number; finished_at: unknown }[] }[];
  };
  const open = string
    .find((entry) => entry.horse.horse_id === horse_id)
    ?.rides.filter(({ finished_at }) => finished_at === null);
  expect(open?.map(({ asked }) => asked)).toEqual([5]);
  // Each takes back only what it recorded itself.
  await helper.getByRole('button', { name: /Undo/ }).click();
  await expect(page.getByTestId('half-right')).toContainText('1 asked');
  // The bar of parts counts the asks of both; who finishes is said to the other.
  const parts = helper.getByRole('navigation', { name: 'Parts of the ride' });
  await expect(parts.getByRole('link', { name: /Flexes to a light rein/ }).first()).toContainText(
    /^.*4 (asked|of \d+)$/,
  );
  await expectAllSent(helper);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(helper.getByText('Finished on the other device.')).toBeVisible();
  await helper.getByRole('button', { name: 'Finish here' }).click();
  await expect(helper).toHaveURL(/\/rides\//);
  await helper.context().close();
});
