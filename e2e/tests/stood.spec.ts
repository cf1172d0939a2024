import { expect, test, type Page } from '@playwright/test';
import { flex, horse, signIn } from './barn';

/** How the demo's horses stand as they come, before any other check rides them. */

test('weeks of rides: stay became confirm, confirm became advance', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page
    .getByRole('link', { name: /flexes to a light rein/i })
    .first()
    .waitFor();
  await page.goto(await gateOf(page, 'Thimble'));
  const runs = page.locator('ol > li').filter({ has: page.locator('a') });
  await expect(runs.nth(0)).toContainText('Stay');
  await expect(runs.nth(1)).toContainText('Confirm');
  await expect(runs.nth(2)).toContainText('Advance');
  await runs.nth(0).getByRole('link').first().click();
  await expect(page.getByRole('heading', { level: 2, name: 'Stay' })).toBeVisible();
  await expect(page.getByText(/as of \w+day, /)).toBeVisible();
  await expect(page.getByRole('group', { name: 'The gate is closed' })).toBeVisible();
  await page.getByRole('link', { name: "Today's gate" }).click();
  await expect(page.getByRole('heading', { level: 2, name: 'Advance' })).toBeVisible();
});

test('a stiff side is named, with every reason and what it would take', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.goto(await gateOf(page, 'Kettle'));
  await expect(page.getByRole('heading', { level: 2, name: 'Stay' })).toBeVisible();
  // One sentence says which rail fills last; whichever it is, it is one of the right side's.
  await expect(page.getByText(/^What's holding him back: .*\bright\b/)).toBeVisible();
  await expect(
    page.getByText(/At least \d+ soft asks? .*on the right over \d+ days?/),
  ).toBeVisible();
  const judged = (await (await page.request.get(`/api${await gateOf(page, 'Kettle')}`)).json()) as {
    judgement: { reasons: { text: string }[] };
  };
  for (const { text } of judged.judgement.reasons) {
    await expect(page.getByText(text, { exact: true })).toBeVisible();
  }
});

test('every figure on the gate is the one the judge found', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  for (const name of ['Kettle', 'Thimble', 'Juniper Ash']) {
    const path = await gateOf(page, name);
    const { judgement } = (await (await page.request.get(`/api${path}`)).json()) as Judged;
    await page.goto(path);
    const rails = page.getByRole('group', { name: /The gate/ }).getByRole('link');
    await expect(rails).toHaveCount(judgement.gate.items.length);
    for (const { item, side, found, passes } of judgement.gate.items) {
      const shown = said(item, found ?? 0);
      const end = `; ${side ?? 'both sides'}: ${shown}, ${passes ? 'filled' : 'not filled'}`;
      const label = railLabels[item]!;
      const rail = rails
        .filter({ has: page.locator('path') })
        .and(page.locator(`[aria-label^="${label}"][aria-label$="${end}"]`));
      await expect(rail, `${name} ${item} ${side}`).toHaveCount(1);
    }
  }
});

interface Judged {
  judgement: {
    gate: { items: { item: string; side: string | null; found: number | null; passes: boolean }[] };
  };
}

const railLabels: Record<string, string> = {
  first_ask: 'First ask soft',
  low_share: 'Proven above',
  soft_share: 'Soft share',
  days: 'Days asked',
  reps: 'Asks',
  difference: 'Sides differ',
  time_ratio: 'Slower side',
};

/** Shares in percent rounded down, differences in points and ratios in tenths rounded up. */
function said(item: string, found: number): string {
  if (item.endsWith('_share')) return `${Math.floor(found * 100 + 1e-9)}%`;
  if (item === 'difference') return `${Math.ceil(found * 100 - 1e-9)}`;
  if (item === 'time_ratio') return (Math.ceil(found * 10 - 1e-9) / 10).toFixed(1);
  return `${found}`;
}

async function gateOf(page: Page, name: string) {
  return `/horses/${(await horse(page, name)).horse_id}/levels/${flex}`;
}
