import { expect, test, type Page } from '@playwright/test';
import { dirname, join } from 'node:path';
import type { Schemas } from '../../web/src/base/api/client';
import { expectAllSent, hold, violations } from './barn';
import { barn } from './new-barn';
import { endPrograms, start } from './programs';

/** Cattle: the herd book, a cow picked and worked, the cattle left and come back to, the flag. */

const { CAVESSON_BIN = '' } = process.env;

test.afterEach(endPrograms);

const of = (tag: string, tempo: string) => ({
  tag,
  kind: 'heifer',
  came: '2026-01-05',
  tempo,
  handling: 'well',
});

/** A settled lot with these cattle. */
async function herd(page: Page, day: string, cattle: ReturnType<typeof of>[]) {
  const { request } = page;
  const added = await request.post('/api/cattle', {
    data: { name: 'Blue tags', kind: 'heifers', head: 12 },
  });
  const { id } = (await added.json()) as { id: string };
  for (const sheet of cattle) {
    const answer = await request.post('/api/cows', { data: { lot_id: id, sheet } });
    expect(answer.ok(), await answer.text()).toBe(true);
  }
  const settling = { day, minutes: 20, put_back: 2, stands: true };
  const settled = await request.put('/api/settlings/01890000-0000-7000-8000-0000000000aa', {
    data: { lot_id: id, settling },
  });
  expect(settled.ok(), await settled.text()).toBe(true);
  return id;
}

const worksOf = async (page: Page, horseId: string) => {
  const answer = await page.request.get(`/api/horses/${horseId}/works`);
  return (await answer.json()) as Schemas['WorksOfHorse'];
};

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('a cow in one tap, turns on it, out of the pen to dry work, back to a slow cow', async ({
    page,
  }) => {
    const { horses, day } = await barn(page, 'leave-cattle');
    await herd(page, day, [of('12', 'slow'), of('15', 'slow'), of('34', 'medium')]);
    const horse = horses.Tom!;
    await page.goto(`/horses/${horse}/ride/cow.turn/slow`);
    const pen = page.getByRole('region', { name: 'At the pen' });
    await pen.getByRole('button', { name: /^Next cow: 1[25]$/ }).tap();
    await expect(pen.getByText('Walks off, stops 8 of 10')).toBeVisible();
    const tap = (half: string, name: string) =>
      page.getByTestId(`half-${half}`).getByRole('button', { name, exact: true }).tap();
    await tap('left', 'Even, turned it');
    await tap('right', 'Shoulder leaked');
    await expect(page.getByTestId('half-right')).toContainText('1 asked');
    await expect(page.getByText('Leave the cattle')).toHaveCount(0);
    await tap('left', 'Shoulder leaked');

    // Two of the last three: it says so at once, and the dry work goes on the card.
    const leave = page.getByRole('alert').filter({ hasText: 'Leave the cattle' });
    await expect(leave).toContainText('The shoulder leaked in 2 of the last 3 turns.');
    await leave.getByRole('button', { name: /^1\. Backs soft/ }).tap();
    await expect(page).toHaveURL(/frame\.back\/stand/);
    const card = page.getByRole('navigation', { name: 'Parts of the ride' });
    await expect(card).toContainText('slow cow');
    await tap('both', 'Clean');
    const dry = page.getByRole('alert').filter({ hasText: 'Dry work, then a slow cow' });
    await dry.getByRole('button', { name: /shoulders step round/ }).tap();
    await expect(page).toHaveURL(/turn\.haunches\/quarter/);
    await page.getByTestId('half-left').getByRole('button').first().tap();
    await dry.getByRole('button', { name: /rocks back/ }).tap();
    await expect(page).toHaveURL(/stop\.rock-back\/walk/);
    await hold(page, 'both', 300);
    await expect(dry).toHaveCount(0);

    // Back to a slow cow, another one than before.
    await pen.getByRole('button', { name: /^Next cow: 1[25]$/ }).tap();
    await expect(page).toHaveURL(/cow\.turn\/slow/);
    await tap('right', 'Even, turned it');
    await pen.getByRole('button', { name: 'Quit on a good turn' }).tap();
    await expect(pen.getByText('No cow picked')).toBeVisible();
    await expectAllSent(page);
    await expect
      .poll(async () => {
        const [ride] = (await worksOf(page, horse)).rides;
        return ride?.works.map(({ how, turns }) => `${how} ${turns.length}`);
      })
      .toEqual(['left_cattle 3', 'good_turn 1']);
    const [ride] = (await worksOf(page, horse)).rides;
    const tags = ride!.works.map(({ tag }) => tag);
    expect(new Set(tags)).toEqual(new Set(['12', '15']));
    // The next ride carries it: a step slower, and the last cow is used.
    const answer = await page.request.get(`/api/horses/${horse}/pen`);
    expect(((await answer.json()) as Schemas['AtPen']).corrected).toBe(true);

    await page.goto(`/horses/${horse}/cattle`);
    await expect(
      page.getByRole('img', { name: /Turns by side, tempo and position/ }),
    ).toBeVisible();
    await expect(page.getByRole('link', { name: `Cow ${tags[0]}` })).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });
});

test('a herd from a list: who is fresh, one sorted off, a settled herd, a cow for a horse', async ({
  page,
}) => {
  const { horses, people, places, day } = await barn(page, 'herd-book');
  const id = await herd(page, day, [of('12', 'slow')]);
  await page.goto('/yard');
  await page.getByRole('link', { name: 'Blue tags' }).click();
  await expect(page.getByText('Settled: green horses welcome')).toBeVisible();
  await page.getByRole('button', { name: 'Add several from a list' }).click();
  const rows = page.getByRole('form', { name: 'Add several from a list' });
  await rows.getByLabel('Rows').fill('tag,tempo,handling\n14,hops,well\n15,runs,wild');
  await rows.getByRole('button', { name: 'Read the rows' }).click();
  await expect(page.getByRole('list', { name: 'To put right' })).toContainText('Line 2, tempo');
  await rows.getByLabel('Rows').fill('tag,tempo,handling\n14,trots,well\n15,runs,wild');
  await rows.getByRole('button', { name: 'Read the rows' }).click();
  await rows.getByRole('button', { name: 'Add 2 cattle' }).click();
  const fresh = page.getByRole('list', { name: 'Fresh' });
  await expect(fresh.getByRole('listitem')).toHaveCount(3);
  // They came today: the herd is another than the one that was settled.
  await expect(page.getByText('Settled: green horses welcome')).toBeVisible();
  expect(await violations(page)).toEqual([]);

  await fresh.getByRole('link', { name: /14/ }).click();
  await expect(page.getByRole('heading', { name: 'Cow 14' })).toBeVisible();
  await page
    .getByRole('group', { name: 'Sort it off' })
    .getByRole('button', { name: 'Lame' })
    .click();
  await expect(page.getByText('Sorted off: not well. The vet decides.')).toBeVisible();
  await page.getByRole('button', { name: 'Write down a treatment' }).click();
  await page.getByLabel('What it was given').fill('Foot rot shot');
  await page.getByLabel('Days not for meat').fill('18');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('list', { name: 'Treatments' })).toContainText('Not for meat until');
  expect(await violations(page)).toEqual([]);
  await page.getByRole('link', { name: 'Blue tags' }).click();
  await expect(page.getByRole('list', { name: 'Sorted off' }).getByRole('listitem')).toHaveCount(1);

  const pen = await page.request.post('/api/places', {
    data: { name: 'Cattle pen', kind: 'cattle_pen', horses_at_once: 2 },
  });
  const booked = await page.request.post(`/api/days/${day}/bookings`, {
    data: {
      booking_id: '01890000-0000-7000-8000-0000000000bb',
      kind: 'ride',
      horse_id: horses.Tom,
      person_id: people.Dell,
      place_id: ((await pen.json()) as { id: string }).id,
      from_min: 1_380,
      minutes: 45,
      skill: 'cow.drive',
      rung: 'walk',
    },
  });
  expect(booked.ok(), `${await booked.text()} ${places.Pen}`).toBe(true);
  await page.getByRole('link', { name: 'Which cow for which horse' }).click();
  const row = page.getByRole('list', { name: 'Horses' }).getByRole('listitem');
  await expect(row).toContainText('First time on cattle');
  await expect(row.getByRole('link', { name: /12/ })).toBeVisible();
  await expect(row).toContainText('1 work short: 1 sorted off, 1 too wild');
  expect(await violations(page)).toEqual([]);
  expect(id).toBeTruthy();
});

test('the flag is driven by the page and a turn on it is kept with its place', async ({
  page,
  baseURL,
}) => {
  const { horses } = await barn(page, 'flag-page');
  const retried = test.info().retry > 0 ? `-${test.info().retry}` : '';
  const standin = join(dirname(CAVESSON_BIN), 'cavesson-standin');
  const [, address] = await start(
    standin,
    ['--listen', '127.0.0.1:0', '--eyes', '127.0.0.1:0', '--flag', '127.0.0.1:0'],
    /flag on (\S+)/,
  );
  const carries = ['flag', '--flag', address!, '--address', baseURL!, '--sign-in'];
  await start(CAVESSON_BIN, [...carries, `dell@flag-page${retried}`], /the flag is there/, {
    CAVESSON_PASSWORD: 'a steady hand',
  });
  await page.goto('/yard');
  await page.getByRole('link', { name: 'Flag', exact: true }).click();
  const line = page.getByRole('img', { name: /^Flag at/ });
  await expect(line).toHaveAttribute('data-state', 'stopped');
  expect(await violations(page)).toEqual([]);
  const at = async () => Number(await line.getAttribute('data-at-ft'));
  expect(await at()).toBe(30);
  await page.getByRole('button', { name: 'Left end' }).click();
  await expect.poll(at).toBe(3);
  await page.getByRole('button', { name: 'Run this program' }).click();
  await expect(line).toHaveAttribute('data-state', 'runs');
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(line).toHaveAttribute('data-state', 'stopped');

  await page.goto(`/horses/${horses.Tom}/ride/cow.flag/slow`);
  const flag = page.getByRole('region', { name: 'Flag' });
  await flag.getByRole('button', { name: /^Start: 1 min/ }).click();
  await expect(line).toHaveAttribute('data-state', 'runs');
  await page.getByTestId('half-left').getByRole('button', { name: 'Even, turned it' }).click();
  await flag.getByRole('button', { name: 'Quit on a good turn' }).click();
  await expect(line).toHaveAttribute('data-state', 'stopped');
  await expectAllSent(page);
  await expect
    .poll(async () => (await worksOf(page, horses.Tom!)).rides[0]?.works[0]?.turns.length)
    .toBe(1);
  const [work] = (await worksOf(page, horses.Tom!)).rides[0]!.works;
  expect([work!.cow_id ?? null, work!.how]).toEqual([null, 'good_turn']);
  const seen = work!.turns[0]!.turn.flag!;
  // It was moving between where it stood and where it stopped.
  expect(seen.speed_ft_s).not.toBe(0);
  expect(seen.at_ft).toBeGreaterThan(0);
  expect(seen.at_ft).toBeLessThan(60);
});
