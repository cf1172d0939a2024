import { expect, test, type Page } from '@playwright/test';
import { expectAllSent, hold, horse, signIn, violations } from './barn';

/** A new horse: its story, the ride that asks what tells most, what was found. */

const bar = (page: Page) => page.getByRole('region', { name: 'Intake' });

/** The next ask, once it has been worked out; moves to its face where that is another. */
async function toNext(page: Page): Promise<string> {
  await expect(bar(page).getByText(/Ask now:|Next:/)).toBeVisible();
  const next = bar(page).getByRole('link', { name: /Next:/ });
  if (await next.isVisible()) await next.tap();
  const now = bar(page).getByText(/Ask now:/);
  await expect(now).toBeVisible();
  return (await now.textContent()) ?? '';
}

/** Answers so many asks that are held to time; passes over the others. */
async function answerHolds(page: Page, count: number): Promise<string[]> {
  const answered: string[] = [];
  while (answered.length < count) {
    const asked = await toNext(page);
    const side = /, (left|right)/.exec(asked)?.[1] as 'left' | 'right' | undefined;
    const half = page.getByTestId(`half-${side ?? 'both'}`);
    if (await half.isVisible()) {
      await hold(page, side ?? 'both', 350);
      answered.push(asked);
    } else await bar(page).getByRole('button', { name: 'Pass over' }).tap();
    await expect(bar(page)).not.toContainText(asked);
  }
  return answered;
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('an intake goes from the story over the ride to where the horse stands, without signal on the way', async ({
    page,
  }) => {
    await signIn(page, 'wren@saltgrass');
    const { horse_id } = await horse(page, 'Pocketwatch');
    await page.goto(`/horses/${horse_id}/intake`);
    await page.getByLabel("Days ridden, by the owner's story").fill('9000');
    await expect(page.getByText('0 to 5000, whole days')).toBeVisible();
    await page.getByLabel("Days ridden, by the owner's story").fill('120');
    await page.getByRole('button', { name: 'Somebody there to help' }).tap();
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    await page.context().setOffline(true);
    await page.getByRole('button', { name: 'Start the intake ride' }).tap();

    await toNext(page);
    // Before anything is asked it can still be an ordinary ride; then the story is told again.
    await bar(page).getByRole('button', { name: 'No intake' }).tap();
    await expect(bar(page)).toHaveCount(0);
    await page.goBack();
    await page.getByRole('button', { name: 'Somebody there to help' }).tap();
    await page.getByRole('button', { name: 'Start the intake ride' }).tap();
    await toNext(page);
    expect(await violations(page)).toEqual([]);
    const answered = await answerHolds(page, 2);
    // All of it from the ground: nobody got on, and nobody gets on once that is passed over.
    expect(answered.join(' ')).not.toMatch(/mounted|at the (walk|jog|lope)/);
    await bar(page).getByRole('button', { name: 'May be pain' }).tap();
    await expect(bar(page)).toContainText('Stop here: that may be pain.');
    await bar(page).getByRole('button', { name: 'It was not pain' }).tap();
    await expect(bar(page)).not.toContainText('Stop here');
    await page.getByRole('button', { name: 'Finish' }).tap();
    await page.context().setOffline(false);
    await expectAllSent(page);

    const found = async () =>
      (await (await page.request.get(`/api/horses/${horse_id}/intake`)).json()) as {
        rides: { asks: number; finished: boolean }[];
        levels: { name: string; unknown: string }[];
      };
    await expect.poll(async () => (await found()).levels.length).toBeGreaterThan(100);
    const { rides, levels } = await found();
    expect(rides).toMatchObject([{ asks: 2, finished: true }]);
    await page.goto(`/horses/${horse_id}/intake`);
    await expect(page.getByText(/\d+ levels? shown, \d+ not there yet/)).toBeVisible();
    await expect(page.getByRole('region', { name: 'Still unknown' })).toContainText(
      'Needs cattle in the pen.',
    );
    expect(await violations(page)).toEqual([]);
    await page.goto(`/horses/${horse_id}`);
    await expect(page.getByRole('region', { name: 'Intake' })).toContainText('it showed');
  });
});
