import { expect, test } from '@playwright/test';
import { signIn, type Horse } from './barn';

/** The barn's board over the demo as it comes: this runs before any other check rides. */

interface Track {
  held: number;
  levels: number;
  under_way: { name: string; state: string; stuck_days: number | null } | null;
}

test('the board says who is ready, stuck, rusty, and leads to the horse', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.getByRole('link', { name: 'Barn', exact: true }).click();
  const board = (await (await page.request.get('/api/board')).json()) as {
    horses: { horse: Horse; ready: { name: string }[]; tracks: Track[] }[];
  };
  const ready = page.getByRole('region', { name: 'Ready to move up' });
  for (const { horse: one, ready: levels } of board.horses)
    for (const { name } of levels)
      await expect(ready.getByRole('link', { name: `${one.name}: ${name}` })).toBeVisible();
  expect(board.horses.flatMap((one) => one.ready).length).toBeGreaterThan(0);
  await expect(
    page
      .getByRole('region', { name: 'Stiff side not worked' })
      .getByRole('link', { name: /Juniper Ash: the right: \d+ asks in a week, \d+ on the other/ }),
  ).toBeVisible();
  const stuck = page.getByRole('region', { name: 'Stuck', exact: true });
  const onOne = board.horses
    .flatMap(({ horse, tracks }) => tracks.map(({ under_way }) => ({ horse, under_way })))
    .filter(({ under_way }) => under_way?.stuck_days != null);
  expect(onOne.map(({ horse }) => horse.name)).toContain('Harrow');
  for (const { under_way } of onOne) expect(['closed', 'waiting']).not.toContain(under_way?.state);
  // The longest first; the rest is one tap away.
  const longest = Math.max(...onOne.map(({ under_way }) => under_way?.stuck_days ?? 0));
  await expect(stuck.getByRole('link').first()).toContainText(`${longest} days`);
  const more = stuck.getByRole('button', { name: /\d+ more/ });
  if (await more.isVisible()) await more.click();
  await expect(stuck.getByRole('link')).toHaveCount(onOne.length);
  await expect(
    page.getByRole('region', { name: 'Rusty' }).getByRole('link', { name: /Pocketwatch/ }),
  ).toBeVisible();
  for (const { horse: one, tracks } of board.horses) {
    const row = page.getByRole('row').filter({ hasText: one.name });
    for (const { held, levels, under_way } of tracks)
      if (held > 0 || under_way) await expect(row).toContainText(`${held} of ${levels}`);
  }
  await page.getByRole('rowheader', { name: /Quill/ }).getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1, name: 'Quill' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Barrel horses' })).toBeVisible();
});
