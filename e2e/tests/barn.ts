import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/** The demo's people and the ways through the app, in the trade's words. */

export const password = 'loose-rein-26';
export const flex = 'bend.flex/stand';

export async function signIn(page: Page, who: string) {
  await page.goto('/');
  await page.getByLabel('Username').fill(who);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
}

export interface Horse {
  horse_id: string;
  name: string;
}

export async function horse(page: Page, name: string): Promise<Horse> {
  const horses = (await (await page.request.get('/api/horses')).json()) as Horse[];
  const found = horses.find((candidate) => candidate.name === name);
  if (!found) throw new Error(`no ${name} in this barn`);
  return found;
}

export async function openRecorder(page: Page, name: string) {
  const { horse_id } = await horse(page, name);
  await page.goto(`/horses/${horse_id}/ride/${flex}`);
  await expect(page.getByRole('heading', { name })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Finish' })).toBeEnabled();
  // The face is on screen and hears a touch and a key.
  await expect(page.getByTestId('half-left')).toHaveAttribute('aria-disabled', 'false');
}

export type Side = 'left' | 'right';

/** Between how many seconds a hold lasted, as seen from outside the browser. */
export interface Held {
  least: number;
  most: number;
}

/**
 * A hold as a thumb makes it: press, wait as long as the horse takes, let go.
 * The wait is what is being recorded, not a wait for the page.
 */
export async function hold(
  page: Page,
  side: Side | 'both',
  ms: number,
  slideTo?: string,
): Promise<Held> {
  const half = await page.getByTestId(`half-${side}`).boundingBox();
  if (!half) throw new Error(`no ${side} half`);
  await page.mouse.move(half.x + half.width / 2, half.y + half.height / 2);
  const pressing = performance.now();
  await page.mouse.down();
  const pressed = performance.now();
  await page.waitForTimeout(ms);
  if (slideTo) {
    const zone = await page.locator(`[data-zone="${slideTo}"]`).boundingBox();
    if (!zone) throw new Error(`no zone ${slideTo}`);
    await page.mouse.move(zone.x + zone.width / 2, zone.y + zone.height / 2, { steps: 4 });
  }
  const releasing = performance.now();
  await page.mouse.up();
  return { least: (releasing - pressed) / 1000, most: (performance.now() - pressing) / 1000 };
}

export async function expectAsked(page: Page, side: Side, count: number) {
  const said = count === 0 ? 'not asked yet' : `${count} asked`;
  await expect(page.getByTestId(`half-${side}`)).toContainText(said);
}

/** Everything recorded here has reached the server: nothing waits in the device's own database. */
export async function expectAllSent(page: Page) {
  // A page that is loaded anew just then is asked again.
  await expect.poll(() => page.evaluate(waitingHere).catch(() => 'loading')).toBe(0);
  await expect(page.getByRole('button', { name: /not sent yet|attention/ })).toHaveCount(0);
}

/** Runs in the page: how many reps of any person wait on this device. */
async function waitingHere(): Promise<number> {
  const done = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result);
      request.onerror = () => reject(new Error(request.error?.message));
    });
  let waiting = 0;
  for (const { name } of await indexedDB.databases()) {
    if (!name?.startsWith('cavesson-') || name === 'cavesson-fetched') continue;
    const db = await done(indexedDB.open(name));
    const reps = db.transaction('reps').objectStore('reps').index('state');
    waiting += await done(reps.count('waiting'));
    db.close();
  }
  return waiting;
}

interface StoredRep {
  side: Side;
  soft: boolean;
  measure: { time_s: number; answer: string; hand: string };
}

/** The reps of a horse's newest ride, as the server has them. */
export async function storedReps(page: Page, name: string): Promise<StoredRep[]> {
  const { horse_id } = await horse(page, name);
  const answer = await page.request.get(`/api/horses/${horse_id}/levels/${flex}/strips`);
  const { strips } = (await answer.json()) as { strips: { reps: StoredRep[] }[] };
  return strips.at(-1)?.reps ?? [];
}

export async function programId(page: Page, name: string): Promise<string> {
  const programs = (await (await page.request.get('/api/programs')).json()) as {
    program_id: string;
    name: string;
  }[];
  const found = programs.find((candidate) => candidate.name === name);
  if (!found) throw new Error(`no program ${name} in this barn`);
  return found.program_id;
}

/** What axe finds on the page as it stands. */
export async function violations(page: Page) {
  const found = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return found.violations.map(({ id, nodes }) => `${id}: ${nodes.map((n) => n.html).join(' ')}`);
}
