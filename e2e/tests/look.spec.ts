import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { flex, horse, programId, signIn, violations } from './barn';

/** The main views, on the sizes and in the lights people use. */
test.describe.configure({ mode: 'parallel' });

async function views(page: Page): Promise<[string, string][]> {
  const { horse_id } = await horse(page, 'Juniper Ash');
  const level = `/horses/${horse_id}/levels/${flex}`;
  return [
    ['/', 'Monday|Tuesday|Wednesday|Thursday|Friday|Saturday|Sunday'],
    [`/horses/${horse_id}/ride/${flex}`, 'Juniper Ash'],
    [`${level}/strip`, 'Juniper Ash'],
    [level, 'Juniper Ash'],
  ];
}

/** The last ride on which a horse was asked to back. */
async function rideId(page: Page, horseId: string): Promise<string> {
  const answer = await page.request.get(`/api/horses/${horseId}/levels/frame.back/stand/strips`);
  const { strips } = (await answer.json()) as { strips: { ride_id: string }[] };
  return strips.at(-1)!.ride_id;
}

async function personId(page: Page, name: string): Promise<string> {
  const answer = await page.request.get('/api/people');
  const people = (await answer.json()) as { person_id: string; name: string }[];
  return people.find((person) => person.name === name)!.person_id;
}

/** The views of the judge, and of the barn. */
async function judgeViews(page: Page): Promise<[string, string][]> {
  const [halfmoon, harrow] = [await horse(page, 'Halfmoon'), await horse(page, 'Harrow')];
  const program = await programId(page, 'Barrel horses');
  return [
    [`/horses/${halfmoon.horse_id}`, 'Halfmoon'],
    ['/barn', 'The barn'],
    ['/ladder', 'The ladder'],
    [`/programs/${program}?level=barrel.drill/jog`, 'Barrel horses'],
    ['/outcomes', 'Looking back'],
    [`/compare?horse=${harrow.horse_id}&with=${halfmoon.horse_id}`, 'Side by side'],
    [`/horses/${harrow.horse_id}/levels/frame.back/stand`, 'Harrow'],
    [`/horses/${halfmoon.horse_id}/levels/bend.forward-circle/lope/strip`, 'Halfmoon'],
    [`/horses/${harrow.horse_id}/card`, 'Harrow'],
    [`/horses/${(await horse(page, 'Copperline')).horse_id}/intake`, 'Copperline'],
    ['/settings', 'Settings'],
    ['/people', 'People'],
    [`/people/${await personId(page, 'Tobin Marrash')}`, 'Tobin Marrash'],
    ['/horses', 'Horses'],
    ['/horses/several', 'Add several horses'],
    [`/horses/${harrow.horse_id}/sheet`, 'Harrow'],
    ['/yard', 'Yard'],
    ['/calendars', 'Calendars'],
    [`/horses/${harrow.horse_id}/cool-out`, 'Harrow'],
    [`/horses/${(await horse(page, 'Thimble')).horse_id}/road`, "Thimble's road"],
    ['/week', 'Week of'],
    ['/day', 'Monday|Tuesday|Wednesday|Thursday|Friday|Saturday|Sunday'],
    [`/rides/${await rideId(page, harrow.horse_id)}`, 'Harrow'],
  ];
}

for (const light of ['day', 'evening', 'sun']) {
  test(`axe finds nothing on the judge's views in the ${light} light`, async ({ page }) => {
    await page.addInitScript((chosen) => localStorage.setItem('cavesson.light', chosen), light);
    await signIn(page, 'wren@saltgrass');
    const found: string[] = [];
    for (const [path, heading] of await judgeViews(page)) {
      await page.goto(path);
      await expect(
        page.getByRole('heading', { level: 1, name: new RegExp(heading) }),
      ).toBeVisible();
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      found.push(...(await violations(page)).map((one) => `${path} ${one}`));
    }
    expect(found).toEqual([]);
  });

  test(`axe finds nothing on the four views in the ${light} light`, async ({ page }) => {
    await page.addInitScript((chosen) => localStorage.setItem('cavesson.light', chosen), light);
    await page.goto('/');
    await expect(page.getByLabel('Username')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await signIn(page, 'wren@saltgrass');
    for (const [path, heading] of await views(page)) {
      await page.goto(path);
      await expect(
        page.getByRole('heading', { level: 1, name: new RegExp(heading) }),
      ).toBeVisible();
      await page.waitForLoadState('networkidle');
      expect(await violations(page), path).toEqual([]);
    }
  });
}

for (const [width, height] of [
  [390, 844],
  [820, 1180],
  [1280, 800],
] as const) {
  test(`nothing runs off the side at ${width}x${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await signIn(page, 'wren@saltgrass');
    for (const [path, heading] of [...(await views(page)), ...(await judgeViews(page))]) {
      await page.goto(path);
      await expect(
        page.getByRole('heading', { level: 1, name: new RegExp(heading) }),
      ).toBeVisible();
      await expect(page.getByRole('progressbar')).toHaveCount(0);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide, path).toBeLessThanOrEqual(width);
    }
  });
}

test('the recorder contrasts at least seven to one', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.goto((await views(page))[1]![0]);
  await expect(page.getByRole('heading', { level: 1, name: 'Juniper Ash' })).toBeVisible();
  const found = await new AxeBuilder({ page }).withRules(['color-contrast-enhanced']).analyze();
  expect(found.violations).toEqual([]);
  expect(found.passes.length).toBeGreaterThan(0);
});

test('no page asks anything of another host', async ({ page }) => {
  const hosts = new Set<string>();
  page.on('request', (request) => hosts.add(new URL(request.url()).host));
  await signIn(page, 'wren@saltgrass');
  for (const [path] of [...(await views(page)), ...(await judgeViews(page))]) await page.goto(path);
  expect([...hosts]).toEqual([new URL(page.url()).host]);
});

test('a page with nothing to show says what to do first', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const [, , [strip], [gate]] = (await views(page)) as [unknown, unknown, [string], [string]];
  await page.goto(`${gate}?on=2021-01-01`);
  await expect(page.getByText(/Not open yet/)).toBeVisible();
  await expect(page.getByText(/The first ride will show here/)).toBeVisible();
  await page.goto(`${strip}?on=2021-01-01`);
  await expect(page.getByText(/Each ride adds a strip here/)).toBeVisible();
  await page.goto('/nowhere');
  await page.getByRole('link', { name: 'Back to Today' }).click();
  await expect(page).toHaveURL('/');
});

test('the light is chosen in the menu and kept', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const day = await ground();
  await page.getByRole('button', { name: 'Wren', exact: true }).click();
  await page.getByRole('menuitemradio', { name: 'Evening, dark' }).click();
  await expect.poll(ground).not.toBe(day);
  const evening = await ground();
  await page.reload();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  expect(await ground()).toBe(evening);
});

test('the horse page begins with the last ride; times follow the clock of the person', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  await expect(page.getByText(/\b\d{1,2}:\d\d [AP]M/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Wren', exact: true }).click();
  await page.getByRole('menuitemcheckbox', { name: '24-hour clock' }).click();
  await expect(page.getByText(/\b\d{1,2}:\d\d [AP]M/)).toHaveCount(0);
  await page.reload();
  await expect(page.getByText(/\b\d\d:\d\d\b/).first()).toBeVisible();
  await expect(page.getByText(/\b\d{1,2}:\d\d [AP]M/)).toHaveCount(0);

  const { horse_id } = await horse(page, 'Harrow');
  const answer = await page.request.get(`/api/horses/${horse_id}/page`);
  const { last_ride } = (await answer.json()) as {
    last_ride: { ride_id: string; asked: { soft: number; asked: number }[] };
  };
  await page.goto(`/horses/${horse_id}`);
  const last = page.getByRole('region', { name: /^Last ride, / });
  await expect(last.getByRole('listitem')).toHaveCount(last_ride.asked.length);
  const [first] = last_ride.asked;
  await expect(last).toContainText(`${first!.soft} of ${first!.asked} soft`);
  await last.getByRole('link', { name: /^The ride of / }).click();
  await expect(page).toHaveURL(new RegExp(`/rides/${last_ride.ride_id}`));
});
