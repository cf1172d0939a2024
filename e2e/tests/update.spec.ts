import { readFile, writeFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { expectAllSent, expectAsked, hold, openRecorder, signIn } from './barn';

/** A newer application comes between rides, never under one. Runs alone: every open page would take it up. */

const worker = new URL('../../web/dist/sw.js', import.meta.url);

const versions = (page: Page) =>
  page.evaluate(async () => {
    const registration = await navigator.serviceWorker.ready;
    await registration.update();
    return { waits: registration.waiting !== null, installs: registration.installing !== null };
  });

/**
 * Whether the page told the newer application to take over. When the browser lets it, is the
 * browser's matter: a worker with a debugger at it, as here, may put that off for minutes.
 */
async function notesTakeovers(page: Page) {
  await page.addInitScript(() => {
    const post = ServiceWorker.prototype.postMessage;
    ServiceWorker.prototype.postMessage = function (...told: unknown[]) {
      const { type } = (told[0] ?? {}) as { type?: string };
      if (type === 'SKIP_WAITING') sessionStorage.setItem('takeover', 'asked for');
      return post.apply(this, told as Parameters<typeof post>);
    };
  });
}

const takeover = (page: Page) => page.evaluate(() => sessionStorage.getItem('takeover'));

test('an application that is updated under an open ride waits for its end', async ({ page }) => {
  const before = await readFile(worker, 'utf8');
  try {
    await notesTakeovers(page);
    await signIn(page, 'tobin@saltgrass');
    await page.evaluate(() => navigator.serviceWorker.ready);
    await openRecorder(page, 'Marlow Fen');
    await hold(page, 'left', 300);
    await expectAllSent(page);
    await writeFile(worker, `${before}\n// newer ${Date.now()}\n`);
    await expect.poll(async () => (await versions(page)).waits).toBe(true);
    // A page that is loaded anew still goes on with the ride it had.
    await page.reload();
    await expectAsked(page, 'left', 1);
    expect((await versions(page)).waits).toBe(true);
    // Nor does another page take it up while the ride is open.
    await page.getByRole('link', { name: /Back to Today/ }).click();
    await expect(page.getByText(/comes in when the ride is finished/)).toBeVisible();
    expect(await takeover(page)).toBeNull();
    await page.getByRole('region', { name: 'Riding now' }).getByRole('link').click();
    await page.getByRole('button', { name: 'Finish' }).click();
    // The page may be loaded anew just as it is asked.
    await expect.poll(() => takeover(page).catch(() => 'loading')).toBe('asked for');
    await expect(page.getByRole('heading', { level: 1, name: 'Marlow Fen' })).toBeVisible();
    await expectAllSent(page);
  } finally {
    await writeFile(worker, before);
  }
});
