import { expect, test, type Page } from '@playwright/test';
import {
  expectAllSent,
  expectAsked,
  flex,
  hold,
  horse,
  openRecorder,
  password,
  signIn,
  storedReps,
} from './barn';

/** Nothing recorded can go wrong: two tabs, two people, a killed page, a full device, wrong clocks. */

const expectToday = (page: Page) =>
  expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();

/** Answers of the barn's server, as another person's device would ask for them. */
async function ridesOn(page: Page, name: string): Promise<number> {
  const { horse_id } = await horse(page, name);
  const today = (await (await page.request.get('/api/today')).json()) as {
    string: { horse: { horse_id: string }; rides: unknown[] }[];
  };
  return today.string.find((entry) => entry.horse.horse_id === horse_id)?.rides.length ?? 0;
}

async function signInAgain(page: Page, who: string) {
  await page.getByRole('alert').getByRole('button', { name: 'Sign in' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Username').fill(who);
  await dialog.getByLabel('Password').fill(password);
  await dialog.getByRole('button', { name: 'Sign in' }).click();
  await expect(dialog).toHaveCount(0);
}

test('an ask goes to the level that is shown; a recorder opened and left leaves nothing', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Juniper Ash');
  const { levels } = (await (await page.request.get('/api/ladder')).json()) as {
    levels: {
      level: { skill: string; rung: string; name: string; measure: string; sides: string };
    }[];
  };
  const other = levels
    .map(({ level }) => level)
    .find(
      ({ skill, measure, sides }) =>
        measure === 'give' && sides === 'each' && skill !== 'bend.flex',
    )!;
  await openRecorder(page, 'Juniper Ash');
  await page.getByRole('link', { name: /Back to Today/ }).click();
  await expectToday(page);
  await expect(page.getByRole('region', { name: 'Riding now' })).toHaveCount(0);

  await openRecorder(page, 'Juniper Ash');
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  await page.getByRole('link', { name: /Back to Today/ }).click();
  await expect(page.getByRole('region', { name: 'Riding now' })).toContainText(
    'Riding Juniper Ash',
  );
  await page.goto(`/horses/${horse_id}/ride/${other.skill}/${other.rung}`);
  await expect(page.getByText(other.name)).toBeVisible();
  await expectAsked(page, 'left', 0);
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  await expectAllSent(page);
  const strips = async (level: string) => {
    const answer = await page.request.get(`/api/horses/${horse_id}/levels/${level}/strips`);
    const { strips } = (await answer.json()) as { strips: { ride_id: string; reps: unknown[] }[] };
    return strips.at(-1)!;
  };
  const [first, second] = [await strips(flex), await strips(`${other.skill}/${other.rung}`)];
  expect([first.reps.length, second.reps.length]).toEqual([1, 1]);
  expect(second.ride_id).toBe(first.ride_id);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByRole('heading', { level: 2, name: other.name })).toBeVisible();
});

/** Whether the page can write to its storage now. */
function writesToStorage(): Promise<boolean> {
  return new Promise((done) => {
    const opening = indexedDB.open('a probe of the storage', 1);
    opening.onupgradeneeded = () => opening.result.createObjectStore('rows');
    opening.onerror = () => done(false);
    opening.onsuccess = () => {
      const write = opening.result.transaction('rows', 'readwrite');
      write.objectStore('rows').put('x'.repeat(1000), 1);
      write.oncomplete = () => done(true);
      write.onabort = () => done(false);
    };
  });
}

test('what the device cannot store is said, kept in memory, and stored later', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  await openRecorder(page, 'Pocketwatch');
  const devtools = await page.context().newCDPSession(page);
  const origin = new URL(page.url()).origin;
  await devtools.send('Storage.overrideQuotaForOrigin', { origin, quotaSize: 1 });
  // The browser goes on for a moment by the room it found at the last write.
  await expect.poll(() => page.evaluate(writesToStorage), { timeout: 60_000 }).toBe(false);
  await hold(page, 'left', 300);
  await expect(page.getByRole('alert')).toContainText('NOT SAVED: 1 ask');
  await expectAsked(page, 'left', 1);
  await hold(page, 'right', 300);
  await expect(page.getByRole('alert')).toContainText('NOT SAVED: 2 asks');
  await expect(page.getByRole('button', { name: 'Finish' })).toBeDisabled();
  await devtools.send('Storage.overrideQuotaForOrigin', { origin });
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expectAllSent(page);
  expect((await storedReps(page, 'Pocketwatch')).map((rep) => rep.side)).toEqual(['left', 'right']);
});

test('without storage the recorder says so before anything is recorded', async ({ page }) => {
  await page.addInitScript(() => {
    if (sessionStorage.getItem('no storage'))
      Object.defineProperty(window, 'indexedDB', { value: undefined });
  });
  await signIn(page, 'tobin@saltgrass');
  await page.evaluate(() => sessionStorage.setItem('no storage', 'yes'));
  const { horse_id } = await horse(page, 'Marlow Fen');
  await page.goto(`/horses/${horse_id}/ride/${flex}`);
  await expect(page.getByRole('heading', { name: "This device can't keep a ride" })).toBeVisible();
  await expect(page.getByRole('alert')).toContainText('private window');
  await expect(page.getByTestId('half-left')).toHaveCount(0);
});

test('a hold on a page that is killed is asked about on the next, and stored once', async ({
  page,
  context,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await openRecorder(page, 'Halfmoon');
  const before = await storedReps(page, 'Halfmoon');
  const half = (await page.getByTestId('half-right').boundingBox())!;
  await page.mouse.move(half.x + half.width / 2, half.y + half.height / 2);
  await page.mouse.down();
  await page.waitForTimeout(1_300);
  const devtools = await context.newCDPSession(page);
  // The renderer dies at once: no handler of the page runs.
  void devtools.send('Page.crash').catch(() => undefined);
  await page.waitForEvent('crash');
  const next = await context.newPage();
  await next.goto('/');
  const question = next.getByRole('alertdialog', { name: 'Your hold was cut off' });
  await expect(question).toContainText(/Halfmoon.*right.*cut off after [0-9.]+ s/);
  await question.getByRole('button', { name: 'Did not give' }).dblclick();
  await expect(question).toHaveCount(0);
  await expectAllSent(next);
  await expect
    .poll(async () => (await storedReps(next, 'Halfmoon')).at(-1)?.measure.answer)
    .toBe('did_not_give');
  const after = await storedReps(next, 'Halfmoon');
  expect(after.length === 1 || after.length === before.length + 1).toBe(true);
  expect(after.at(-1)!.measure.time_s).toBeGreaterThanOrEqual(0.5);
});

test('a session that ends in mid-ride leaves the recorder, and is mended in place', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await openRecorder(page, 'Quill');
  await page.request.delete('/api/session');
  await hold(page, 'left', 300);
  await expect(page.getByRole('alert')).toContainText('Signed out. What you record is kept here.');
  await expectAsked(page, 'left', 1);
  await hold(page, 'right', 300);
  await expectAsked(page, 'right', 1);
  await signInAgain(page, 'tobin@saltgrass');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expectAllSent(page);
  expect(await storedReps(page, 'Quill')).toHaveLength(2);
});

test("one person's asks never go out under another who signs in in a second tab", async ({
  page,
  context,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await openRecorder(page, 'Harrow');
  const second = await context.newPage();
  await second.goto('/');
  await second.getByRole('button', { name: 'Tobin' }).click();
  await second.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(second.getByLabel('Password')).toBeVisible();
  await signIn(second, 'pia@saltgrass');
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  await expect(page.getByRole('alert')).toContainText('Signed out');
  await expect(page.getByRole('button', { name: '1 not sent yet' })).toBeVisible();
  expect(await ridesOn(second, 'Harrow')).toBe(0);
  await signInAgain(page, 'tobin@saltgrass');
  await expectAllSent(page);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expect(page.getByText(/Tobin Marrash/)).toBeVisible();
  // The other tab was told, and does not go on as somebody who is not signed in.
  await expect(second.getByText('Pia Lundgard was signed out here.')).toBeVisible();
});

test('a cold start without signal shows the day and leads back to the ride', async ({
  page,
  context,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await openRecorder(page, 'Marlow Fen');
  await hold(page, 'left', 300);
  await expectAllSent(page);
  await page.getByRole('link', { name: /Back to Today/ }).click();
  await expectToday(page);
  // What was fetched is kept a moment after it came.
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise((resolve) => {
            const open = indexedDB.open('cavesson-fetched');
            open.onsuccess = () => {
              const all = open.result.transaction('fetched').objectStore('fetched').getAll();
              all.onsuccess = () => resolve(JSON.stringify(all.result).includes('Marlow Fen'));
            };
          }),
      ),
    )
    .toBe(true);
  await page.close();
  await context.setOffline(true);
  const cold = await context.newPage();
  await cold.goto('/');
  await expectToday(cold);
  const riding = cold.getByRole('region', { name: 'Riding now' });
  await expect(riding).toContainText('Riding Marlow Fen');
  await riding.getByRole('link', { name: 'Continue' }).click();
  await expectAsked(cold, 'left', 1);
  await hold(cold, 'right', 300);
  await expectAsked(cold, 'right', 1);
  await context.setOffline(false);
  await expectAllSent(cold);
  await cold.getByRole('button', { name: 'Finish' }).click();
  await expect(cold.getByRole('button', { name: 'Continue this ride' })).toBeVisible();
});

/** Lets the page's wall clock run so many milliseconds off, from the next page on. */
async function setClock(page: Page, offMs: number | null) {
  await page.evaluate((off) => {
    if (off === null) sessionStorage.removeItem('off');
    else sessionStorage.setItem('off', String(off));
  }, offMs);
}

async function withSettableClock(page: Page) {
  await page.addInitScript(() => {
    const off = Number(sessionStorage.getItem('off') ?? 0);
    if (off === 0) return;
    const Real = Date;
    const now = () => Real.now() + off;
    // Only what the application uses: the time now.
    window.Date = class extends Real {
      constructor(...told: unknown[]) {
        super(...((told.length === 0 ? [now()] : told) as [number]));
      }
      static override now = now;
    } as DateConstructor;
  });
}

test('a clock a year ahead loses and reorders nothing', async ({ page }) => {
  await withSettableClock(page);
  await signIn(page, 'tobin@saltgrass');
  await setClock(page, 365 * 86_400_000);
  await openRecorder(page, 'Marlow Fen');
  await hold(page, 'left', 300);
  await hold(page, 'right', 300, 'late');
  await hold(page, 'left', 300, 'did_not_give');
  await expectAllSent(page);
  const reps = await storedReps(page, 'Marlow Fen');
  expect(reps.map((rep) => rep.measure.answer).slice(-3)).toEqual(['gave', 'late', 'did_not_give']);
  await page.getByRole('button', { name: 'Finish' }).click();
  await expectAllSent(page);
});

test('what the barn refuses waits with its reason, and is put right or dropped', async ({
  page,
  context,
}) => {
  await withSettableClock(page);
  await signIn(page, 'tobin@saltgrass');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await setClock(page, -30 * 365 * 86_400_000);
  await openRecorder(page, 'Pocketwatch');
  await context.setOffline(true);
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  await page.getByRole('button', { name: 'Finish' }).click();
  await setClock(page, null);
  // The clock is right when there is signal again, or the times would be shifted.
  await page.goto('/');
  await context.setOffline(false);
  await page.getByRole('link', { name: /needs? attention/ }).click();
  await expect(page.getByText(/must not be before 2020.*say when the ride began/)).toBeVisible();
  await page.getByRole('button', { name: 'Delete the ride' }).click();
  await expect(page.getByText('Nothing right now.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  const yesterday = new Date(Date.now() - 86_400_000).toISOString().slice(0, 16);
  await page.getByLabel('Started at').fill(yesterday);
  const before = await storedReps(page, 'Pocketwatch');
  await page.getByRole('button', { name: 'Set the time' }).click();
  await expect(page.getByText('Nothing right now.')).toBeVisible();
  await expectAllSent(page);
  expect(await storedReps(page, 'Pocketwatch')).not.toEqual([...before, before.at(-1)]);
});

test('signing out without signal says what waits, keeps it, and it goes out later', async ({
  page,
  context,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await openRecorder(page, 'Marlow Fen');
  await context.setOffline(true);
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Tobin' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('still only on this device');
  await dialog.getByRole('button', { name: 'Sign out anyway' }).click();
  await expect(page.getByLabel('Password')).toBeVisible();
  // Nothing of the day can be read here any more.
  await page.goto('/');
  await expect(page.getByLabel('Password')).toBeVisible();
  await context.setOffline(false);
  await signIn(page, 'tobin@saltgrass');
  await expectAllSent(page);
});

test('an ask taken back is brought back; a finished ride is opened again; keys keep to the recorder', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  await openRecorder(page, 'Thimble');
  await hold(page, 'left', 300);
  await expectAsked(page, 'left', 1);
  // Caps Lock types a capital.
  await page.keyboard.press('U');
  await expectAsked(page, 'left', 0);
  await page.getByRole('button', { name: 'Bring back' }).click();
  await expectAsked(page, 'left', 1);
  await page.getByRole('button', { name: 'How to record' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('u');
  await page.getByLabel('Single keys record').click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('u');
  await page.keyboard.down('f');
  await page.waitForTimeout(300);
  await page.keyboard.up('f');
  await expectAsked(page, 'left', 1);
  await page.getByRole('button', { name: 'How to record' }).click();
  await page.getByLabel('Single keys record').click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.down('F');
  await page.waitForTimeout(300);
  await page.keyboard.up('F');
  await expectAsked(page, 'left', 2);
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Continue this ride' }).click();
  await expectAsked(page, 'left', 2);
  await hold(page, 'right', 300);
  await expectAsked(page, 'right', 1);
  await expectAllSent(page);
  expect(await storedReps(page, 'Thimble')).toHaveLength(3);
  await page.getByRole('button', { name: 'Finish' }).click();
});

test('pages keep their place: scroll, focus, and news after the stream broke', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  let asked = 0;
  await page.route('**/api/live', async (route) => {
    asked += 1;
    if (asked === 1) await route.fulfill({ status: 503, body: '' });
    else await route.continue();
  });
  await page.setViewportSize({ width: 390, height: 600 });
  await page.goto('/');
  await expectToday(page);
  await page.evaluate(() => window.scrollTo(0, 700));
  const place = await page.evaluate(() => window.scrollY);
  await page.evaluate(() => {
    const links = [...document.querySelectorAll<HTMLAnchorElement>('main h3 a')];
    links.find((link) => link.getBoundingClientRect().top > 0)?.click();
  });
  await expect(page).toHaveURL(/horses/);
  await expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).toBe('MAIN');
  expect(await page.evaluate(() => window.scrollY)).toBe(0);
  await page.goBack();
  await expectToday(page);
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(place);
  await expect.poll(() => asked).toBeGreaterThan(1);
});
