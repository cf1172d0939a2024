import { expect, test } from '@playwright/test';
import { expectAllSent, horse, signIn, violations } from './barn';

/** The ride afterwards: drawn measure by measure, and put right ask by ask with its history. */

interface Asked {
  timeline: {
    rep_id: string;
    name: string;
    skill: string;
    undone: boolean;
    history: { taken_back: boolean; by: string }[];
  }[];
}

test('an ask that another recorded is given another answer, moved, taken back and brought back', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  const { horse_id } = await horse(page, 'Halfmoon');
  const of = `/api/horses/${horse_id}/levels/bend.ribs/jog/strips`;
  const { strips } = (await (await page.request.get(of)).json()) as {
    strips: { ride_id: string }[];
  };
  // A second try takes the ride before: the first one was changed.
  const ride_id = strips.at(-1 - test.info().retry)?.ride_id ?? '';
  const ride = async () =>
    (await (await page.request.get(`/api/rides/${ride_id}`)).json()) as Asked;
  const before = (await ride()).timeline;
  await page.goto(`/rides/${ride_id}`);
  const asks = page.getByRole('list', { name: 'Asks' });
  await expect(asks.getByRole('listitem')).toHaveCount(before.length);
  expect(await violations(page)).toEqual([]);

  const edit = asks.getByRole('button', { name: /^Put right: Gives .*ribs/ }).first();
  await edit.click();
  await page.getByRole('dialog').getByRole('button', { name: 'did not give' }).click();
  await expectAllSent(page);
  await expect.poll(async () => (await ride()).timeline.length).toBe(before.length + 1);
  // The next one is put right once the page shows what became of this one.
  const shown = (takenBack: number) =>
    expect(
      page.getByRole('button', { name: `Show what was taken back (${takenBack})` }),
    ).toBeVisible();
  await shown(1);
  const changed = (await ride()).timeline.filter(({ undone }) => undone);
  expect(changed).toMatchObject([{ history: [{ taken_back: true, by: 'Wren Aldecott' }] }]);

  await edit.click();
  await page.getByRole('button', { name: 'It belongs to another part' }).click();
  await page.getByLabel('A few letters of it').fill('flexes');
  await page.getByRole('button', { name: /Flexes to a light rein/ }).click();
  await expectAllSent(page);
  await expect
    .poll(async () =>
      (await ride()).timeline.some((ask) => ask.skill === 'bend.flex' && !ask.undone),
    )
    .toBe(true);
  await shown(2);

  await edit.click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expectAllSent(page);
  const standing = async () => (await ride()).timeline.filter(({ undone }) => !undone).length;
  await expect.poll(standing).toBe(before.length - 1);
  await page.getByRole('button', { name: /Show what was taken back/ }).click();
  await asks
    .getByRole('button', { name: /^Put right/ })
    .filter({ hasText: 'Bring back' })
    .last()
    .click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expectAllSent(page);
  await expect.poll(standing).toBe(before.length);
  await expect(asks.getByText(/brought back by Wren Aldecott/).first()).toBeVisible();
});
