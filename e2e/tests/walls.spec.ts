import { expect, test } from '@playwright/test';
import { flex, horse, signIn } from './barn';

test('a second barn sees nothing of the first, on the same device', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const { horse_id } = await horse(page, 'Juniper Ash');
  const gate = `/horses/${horse_id}/levels/${flex}`;
  await page.goto(gate);
  await expect(page.getByRole('heading', { name: 'Juniper Ash' })).toBeVisible();
  await page.getByRole('button', { name: 'Wren' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  expect((await page.request.get('/api/horses')).status()).toBe(401);

  await signIn(page, 'ines@twocedars');
  await expect(page.getByText('Lanternfly').first()).toBeVisible();
  for (const name of ['Juniper Ash', 'Oatcake', 'Thimble', 'Kettle']) {
    await expect(page.getByText(name)).toHaveCount(0);
  }
  for (const path of [gate, `${gate}/strip`, `/horses/${horse_id}/ride/${flex}`]) {
    await page.goto(path);
    await expect(page.getByText('Not in this barn')).toBeVisible();
    await expect(page.getByText('Juniper Ash')).toHaveCount(0);
  }
  expect((await page.request.get(`/api${gate}`)).status()).toBe(404);
});

test('a session that ended on the server leads back to the sign-in', async ({ page }) => {
  await signIn(page, 'odell@saltgrass');
  await page.request.delete('/api/session');
  const link = page.getByRole('link', { name: /flexes to a light rein/i }).first();
  const toSignIn = page.getByRole('button', { name: 'Sign in' });
  // The page may have heard of it by itself, before anything is tapped.
  await expect(link.or(toSignIn).first()).toBeVisible();
  await link.click({ timeout: 5_000 }).catch(() => undefined);
  await expect(toSignIn).toBeVisible();
});

test('a wrong password is said, and nothing typed is lost', async ({ page }) => {
  await page.goto('/');
  await page.getByLabel('Username').fill('wren@saltgrass');
  await page.getByLabel('Password').fill('wrong');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('the username or the password is wrong');
  await expect(page.getByLabel('Username')).toHaveValue('wren@saltgrass');
});

test('an owner sees their own horses and records nothing', async ({ page }) => {
  await signIn(page, 'odell@saltgrass');
  await expect(page.getByText('Oatcake').first()).toBeVisible();
  await expect(page.getByText('Thimble')).toHaveCount(0);
  await expect(page.getByRole('link', { name: /^Ride/ })).toHaveCount(0);
  const { horse_id } = await horse(page, 'Oatcake');
  await page.goto(`/horses/${horse_id}/ride/${flex}`);
  await expect(page.getByRole('heading', { name: /recorded by the barn's people/ })).toBeVisible();
  await expect(page.getByTestId('half-left')).toHaveCount(0);
});
