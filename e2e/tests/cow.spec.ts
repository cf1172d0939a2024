import { expect, test, type Page } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';

/** The cow trainer: a minute on a cow, ridden by keys, kept and seen again. */

interface Pen {
  cow: [number, number];
  horse: [number, number];
  way: number;
}

/** Where everything is, as it is drawn. */
function seen(page: Page): Promise<Pen> {
  return page.evaluate(() => {
    const matrix = (name: string) =>
      document
        .querySelector<SVGGElement>(`[data-testid="${name}"]`)!
        .transform.baseVal.consolidate()!.matrix;
    const [cow, horse] = [matrix('cow'), matrix('horse')];
    return {
      cow: [cow.e, cow.f] as [number, number],
      horse: [horse.e, horse.f] as [number, number],
      way: Math.sign(cow.a),
    };
  });
}

/** Rides as a person does: looks, presses what takes the horse level with the cow's eye. */
async function ride(page: Page) {
  const held = new Set<string>();
  const hold = async (key: string, on: boolean) => {
    if (held.has(key) === on) return;
    if (on) held.add(key);
    else held.delete(key);
    await (on ? page.keyboard.down(key) : page.keyboard.up(key));
  };
  const over = page.getByRole('button', { name: 'See it again' });
  let before = await seen(page);
  while (!(await over.isVisible())) {
    const { cow, horse, way } = await seen(page);
    // Where it will be by the time the key is down.
    const ahead = (index: 0 | 1) => 2 * horse[index] - before.horse[index];
    const [across, down] = [cow[0] + 2 * way - ahead(0), cow[1] + 11 - ahead(1)];
    before = { cow, horse, way };
    await hold('ArrowRight', across > 1.5);
    await hold('ArrowLeft', across < -1.5);
    await hold('ArrowDown', down > 1.5);
    await hold('ArrowUp', down < -1.5);
  }
  for (const key of [...held]) await hold(key, false);
}

test('a minute on the slow cow by keys: scored, kept, listed, seen again', async ({ page }) => {
  await barn(page, 'cow-round');
  await page.goto('/yard');
  await page.getByRole('link', { name: 'Cow trainer' }).click();
  await page.getByRole('button', { name: 'Ride a minute' }).click();
  await expect(page.getByRole('region', { name: 'The round' })).toBeVisible();
  await ride(page);
  const round = page.getByRole('region', { name: 'The round' });
  await expect(round.getByText('Kept.')).toBeVisible();
  const score = Number(await page.getByTestId('cow score').innerText());
  // Who stands still loses every cow, and has nothing.
  expect(score).toBeGreaterThan(0);
  const best = page.getByRole('region', { name: 'Best in the barn' });
  await expect(best.getByRole('listitem')).toContainText(`Dell${score}`);
  const answer = await page.request.get('/api/cow-rounds');
  const [kept] = (await answer.json()) as { score: number; steered: { steps: number }[] }[];
  expect(Math.round(kept!.score)).toBe(score);
  expect(kept!.steered.reduce((sum, { steps }) => sum + steps, 0)).toBe(3600);
  expect(kept!.steered.length).toBeGreaterThan(10);
  expect(await violations(page)).toEqual([]);
  // The same again: the horse goes where it went.
  await best.getByRole('button', { name: 'See the round of Dell' }).click();
  await expect.poll(async () => (await seen(page)).horse.join()).not.toBe('30,54');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Ride a minute' })).toBeVisible();
});

test.describe('with a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

  test('the horse goes where the finger is held', async ({ page }) => {
    await barn(page, 'cow-touch');
    await page.goto('/cow-trainer');
    await page.getByRole('button', { name: 'Ride a minute' }).click();
    const pen = page.getByTestId('cow pen');
    await pen.scrollIntoViewIfNeeded();
    const box = (await pen.boundingBox())!;
    const before = await seen(page);
    await page.mouse.move(box.x + box.width * 0.9, box.y + box.height * 0.75);
    await page.mouse.down();
    await expect.poll(async () => (await seen(page)).horse[0]).toBeGreaterThan(before.horse[0] + 5);
    await page.mouse.up();
    expect(await violations(page)).toEqual([]);
  });
});
