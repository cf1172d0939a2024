import { execFileSync } from 'node:child_process';
import { expect, test, type Browser, type Page } from '@playwright/test';
import { expectAllSent, hold, violations } from './barn';

/** A barn of one's own: from the link it is taken over by to its first recorded ride. */

const { CAVESSON_BIN = '', CAVESSON_DATABASE_URL = '' } = process.env;

/** What `cavesson barn new` prints: the word of the link. */
function newBarn(name: string): string {
  const printed = execFileSync(
    CAVESSON_BIN,
    ['barn', 'new', name, '--trainer', 'Dell Ashgrove', '--database-url', CAVESSON_DATABASE_URL],
    { encoding: 'utf8' },
  );
  const word = printed.match(/\/come-in#([0-9a-f]+)/)?.[1];
  if (!word) throw new Error(`no link in: ${printed}`);
  return word;
}

/** A barn taken over through the API, and its trainer signed in on this page. */
async function ownBarn(page: Page, handle: string) {
  const taken = await page.request.post('/api/links/take', {
    data: {
      word: newBarn(handle),
      password: 'a steady hand',
      sign_in: 'dell',
      barn: {
        name: handle,
        handle,
        time_zone: 'America/Denver',
        units: 'us',
        trainer: 'Dell Ashgrove',
      },
    },
  });
  expect(taken.ok(), await taken.text()).toBe(true);
}

async function added(page: Page, name: string): Promise<string> {
  const sheet = { name, sex: 'gelding', foaled: 2020, color: 'bay' };
  const answer = await page.request.post('/api/horses', { data: sheet });
  expect(answer.status()).toBe(201);
  return ((await answer.json()) as { horse_id: string }).horse_id;
}

const elsewhere = async (browser: Browser) => (await browser.newContext()).newPage();

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a stranger comes from the link to the first recorded ride of an own horse', async ({
    page,
  }) => {
    test.setTimeout(600_000);
    const word = newBarn('Made for a stranger');
    const began = Date.now();
    await page.goto(`/come-in#${word}`);
    await expect(page.getByRole('heading', { name: 'Your own barn' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByLabel('What the barn is called').fill('Dry Fork');
    await expect(page.getByLabel('Short name, for usernames')).toHaveValue('dry-fork');
    await page.getByLabel('Your name').fill('Dell Ashgrove');
    await expect(page.getByText('You sign in as dell@dry-fork')).toBeVisible();
    await page.getByLabel('Password').fill('short');
    await page.getByRole('button', { name: 'Come in' }).tap();
    await expect(page.getByText(/must be 8 to 200/)).toBeVisible();
    await page.getByLabel('Password').fill('a steady hand');
    await page.getByRole('button', { name: 'Come in' }).tap();

    // Today says what comes first, and each step leads on.
    const steps = page.getByRole('region', { name: 'First five minutes' });
    await expect(steps).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await steps.getByRole('link', { name: 'Add your first horse' }).tap();
    await page.getByLabel('Name').fill('Sorrel Tom');
    await page.getByLabel('Foaled').fill('2021');
    await page.getByRole('button', { name: 'Add', exact: true }).tap();
    await expect(page.getByText(/letters must be 1 to 40/i)).toBeVisible();
    await page.getByLabel('Color').fill('sorrel');
    await page.getByRole('button', { name: 'Add', exact: true }).tap();

    // An intake ride is offered for it at once; the place can come before.
    await expect(page.getByRole('button', { name: 'Start the intake ride' })).toBeVisible();
    await page.getByRole('link', { name: 'Dry Fork' }).tap();
    await steps.getByRole('link', { name: 'Add the place you ride in' }).tap();
    await page.getByRole('button', { name: 'Add a place' }).tap();
    await page.getByLabel('Name').fill('The pen');
    await page.getByLabel('Kind').tap();
    await page.getByRole('option', { name: 'Round pen' }).tap();
    await page.getByRole('button', { name: 'Save' }).tap();
    await expect(page.getByRole('heading', { name: 'The pen' })).toBeVisible();

    await page.getByRole('link', { name: 'Today', exact: true }).tap();
    await page.getByRole('link', { name: 'Ride Sorrel Tom' }).tap();
    await hold(page, 'left', 300);
    await hold(page, 'right', 300);
    await expect(page.getByTestId('half-right')).toContainText('1 asked');
    await page.getByRole('button', { name: 'Finish' }).tap();
    await expect(page).toHaveURL(/\/rides\//);
    await expectAllSent(page);
    // Ten minutes for a person; the ways alone take a fraction of that.
    expect(Date.now() - began).toBeLessThan(600_000);

    // The list has gone by itself, and the sign-in works elsewhere.
    await page.getByRole('link', { name: 'Today', exact: true }).tap();
    await expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
    await expect(steps).toHaveCount(0);
    await page.goto(`/come-in#${word}`);
    await page.reload();
    await expect(
      page.getByRole('heading', { name: "This link doesn't work any more" }),
    ).toBeVisible();
  });
});

test('somebody is invited, comes in, gets a new password, leaves', async ({ page, browser }) => {
  await ownBarn(page, 'invites');
  await page.goto('/people/new');
  await page.getByLabel('Name', { exact: true }).fill('Juna Weatherby');
  await expect(page.getByLabel('Username')).toHaveValue('juna');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  const link = await page.getByLabel('Link', { exact: true }).inputValue();
  await page.getByRole('link', { name: 'What they may ride, their hours' }).click();
  await page.getByRole('button', { name: 'Shank bit' }).click();
  await page.getByRole('button', { name: 'Cattle' }).click();
  await page.getByRole('button', { name: 'Monday' }).click();
  await page.getByRole('button', { name: 'Tuesday' }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  const row = page.getByRole('listitem').filter({ hasText: 'Juna Weatherby' });
  await expect(row).toContainText(
    'Rides every horse in halter, snaffle, bosal, shank bit; cattle, no first rides.',
  );
  await expect(row).toContainText('Mon and Tue 7:00 AM to 3:00 PM.');
  await expect(row).toContainText('Invited, not in yet');

  const juna = await elsewhere(browser);
  await juna.goto(link);
  await expect(juna.getByText('You come in as Juna Weatherby, rider.')).toBeVisible();
  await juna.getByLabel('Password').fill('a light hand');
  await juna.getByRole('button', { name: 'Come in' }).click();
  await expect(juna.getByText('Ask your trainer to add one.')).toBeVisible();
  await juna.goto('/people');
  await expect(juna.getByRole('heading', { name: 'Juna Weatherby' })).toBeVisible();
  // Who works here is the trainer's to change.
  await expect(juna.getByRole('link', { name: 'Add somebody' })).toHaveCount(0);

  // A new password by a link; one that is taken back opens nothing.
  await row.getByRole('link', { name: 'Change Juna Weatherby' }).click();
  await page.getByRole('button', { name: 'Link for a new password' }).click();
  const revoked = await page.getByLabel('Link', { exact: true }).inputValue();
  await page.getByRole('button', { name: 'Take the link back' }).click();
  await expect(page.getByRole('button', { name: 'Take the link back' })).toHaveCount(0);
  const visitor = await elsewhere(browser);
  await visitor.goto(revoked);
  await expect(visitor.getByText('It expired or was taken back.')).toBeVisible();
  await page.getByRole('button', { name: 'Link for a new password' }).click();
  await expect(page.getByLabel('Link', { exact: true })).not.toHaveValue(revoked);
  await visitor.goto('about:blank');
  await visitor.goto(await page.getByLabel('Link', { exact: true }).inputValue());
  await visitor.getByLabel('Password', { exact: true }).fill('a lighter hand');
  await visitor.getByRole('button', { name: 'Come in' }).click();
  await expect(visitor.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
  await juna.reload();
  await expect(juna.getByText('Juna Weatherby was signed out here.')).toBeVisible();

  // Leaving, and the barn keeps its last trainer.
  await page.getByRole('button', { name: 'Leaves the barn' }).click();
  await expect(page.getByText('Juna Weatherby left.')).toBeVisible();
  await page.goto('/people');
  await page.getByRole('link', { name: 'Change Dell Ashgrove' }).click();
  await page.getByRole('button', { name: 'Leaves the barn' }).click();
  await expect(page.getByRole('alert')).toContainText('This is the last trainer');
});

test('horses come as rows with what is wrong, go home and come back', async ({ page }) => {
  await ownBarn(page, 'rows');
  await page.goto('/horses/several');
  const rows = page.getByLabel('Rows');
  await rows.fill('name,sex,age,color\nPinto,gelding,5,pinto\nWillow,mule,4,grulla');
  await page.getByRole('button', { name: 'Read the rows' }).click();
  const wrong = page.getByRole('list', { name: 'To put right' });
  await expect(wrong).toContainText('Line 3, sex: must be mare, gelding or stallion, found "mule"');
  await expect(page.getByRole('button', { name: 'Add', exact: true })).toBeDisabled();
  await page.setInputFiles('input[type=file]', {
    name: 'horses.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,sex,age,color\nPinto,gelding,5,pinto\nWillow,mare,4,grulla\n'),
  });
  await expect(rows).toHaveValue(/mare,4/);
  await page.getByRole('button', { name: 'Read the rows' }).click();
  await page.getByRole('button', { name: 'Add 2 horses' }).click();
  const here = page.getByRole('list', { name: 'Here' });
  await expect(here.getByRole('listitem')).toHaveCount(2);

  await page.getByRole('link', { name: 'Change Willow' }).click();
  await page.getByLabel('What it is').fill('Fall jackpot');
  await page.getByRole('button', { name: 'Add the goal' }).click();
  await expect(page.getByText('Fall jackpot', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Send home' }).click();
  await expect(page.getByRole('button', { name: 'Comes back' })).toBeVisible();
  await page.goto('/horses');
  const gone = page.getByRole('list', { name: 'Gone home' });
  await expect(gone).toContainText('Willow');
  await page.goto('/');
  await expect(page.getByText('Pinto', { exact: true })).toBeVisible();
  await expect(page.getByText('Willow', { exact: true })).toHaveCount(0);
  await page.goto('/horses');
  await gone.getByRole('button', { name: 'Willow comes back' }).click();
  await expect(here.getByRole('listitem')).toHaveCount(2);
  await page.getByRole('link', { name: 'Change Willow' }).click();
  await expect(page.getByText('Fall jackpot', { exact: true })).toBeVisible();
});

test('a ride on the wrong horse is put right on its page', async ({ page }) => {
  await ownBarn(page, 'wrong-horse');
  const [tom, jerry] = [await added(page, 'Tom'), await added(page, 'Jerry')];
  await page.goto(`/horses/${tom}/ride/bend.flex/stand`);
  await expect(page.getByRole('button', { name: 'Finish' })).toBeEnabled();
  await hold(page, 'left', 300);
  await expect(page.getByTestId('half-left')).toContainText('1 asked');
  await page.getByRole('button', { name: 'Finish' }).click();
  await expectAllSent(page);
  await page.getByRole('button', { name: 'Wrong horse?' }).click();
  await page.getByLabel('Horse', { exact: true }).click();
  await page.getByRole('option', { name: 'Jerry' }).click();
  await page.getByRole('button', { name: 'Move the ride' }).click();
  await expect(page.getByText(/Put from Tom to Jerry by Dell Ashgrove/)).toBeVisible();
  await expect(page.getByRole('link', { name: 'Jerry' })).toBeVisible();
  // What is said of it from here on goes to the same ride.
  await page.getByRole('button', { name: 'Willing' }).click();
  await expectAllSent(page);
  const strips = async (horse: string) => {
    const answer = await page.request.get(`/api/horses/${horse}/levels/bend.flex/stand/strips`);
    return ((await answer.json()) as { strips: unknown[] }).strips.length;
  };
  expect([await strips(tom), await strips(jerry)]).toEqual([0, 1]);
});

test('own password and other devices in Settings; name and units of the barn', async ({
  page,
  browser,
}) => {
  await ownBarn(page, 'settings');
  const other = await elsewhere(browser);
  await other.request.post('/api/session', {
    data: { sign_in: 'dell@settings', password: 'a steady hand' },
  });
  await page.goto('/settings');
  await expect(page.getByText('You are signed in on 1 other device.')).toBeVisible();
  await page.getByRole('button', { name: 'Sign out the others' }).click();
  await expect(page.getByText('You are signed in on this device only.')).toBeVisible();
  expect((await other.request.get('/api/session')).status()).toBe(401);
  await page.getByRole('button', { name: 'Change your password' }).click();
  await page.getByLabel('Password now').fill('not this one');
  await page.getByLabel('New password').fill('a steadier hand');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(page.getByText('Must be the password you sign in with now')).toBeVisible();
  await page.getByLabel('Password now').fill('a steady hand');
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Changed.' })).toBeVisible();
  await page.getByRole('button', { name: 'Change the barn' }).click();
  await page.getByLabel('What the barn is called').fill('Renamed');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: 'Renamed' })).toBeVisible();
});

test('work that nobody does alone asks once who is there, and stops nobody', async ({ page }) => {
  await ownBarn(page, 'never-alone');
  await page.request.post('/api/people', {
    data: { name: 'Pia Corwin', sign_in: 'pia', role: 'helper' },
  });
  const colt = await added(page, 'Colt');
  // It stands for on and off, and for one rein to a halt: the first rides come.
  const overrule = await page.request.post(`/api/horses/${colt}/overrules`, {
    data: {
      overrule_id: crypto.randomUUID(),
      skill: 'start.brake',
      rung: 'stand',
      counts_as: 'advance',
      reason: 'Shown on the first day',
      with_all_under_it: true,
    },
  });
  expect(overrule.ok(), await overrule.text()).toBe(true);
  await page.goto(`/horses/${colt}/card`);
  await page.getByRole('button', { name: 'Helper there' }).click();
  await expect(page.getByText('Never alone: a helper on the ground').first()).toBeVisible();
  await page.getByRole('button', { name: 'Ride this card' }).click();
  const asks = page.getByRole('region', { name: 'Who is there?' });
  await expect(asks).toBeVisible();
  // It stands in the way of nothing: an ask is recorded all the same.
  await hold(page, 'left', 300);
  await expect(page.getByTestId('half-left')).toContainText('1 asked');
  await asks.getByRole('button', { name: 'Pia' }).click();
  await expect(asks).toHaveCount(0);
  await page.reload();
  await expect(page.getByTestId('half-left')).toContainText('1 asked');
  await expect(asks).toHaveCount(0);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expectAllSent(page);
  await expect(page.getByText('There: Pia Corwin.')).toBeVisible();
});
