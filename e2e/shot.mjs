import { chromium } from 'playwright-core';
import { readFileSync } from 'node:fs';
const port = readFileSync('/tmp/w/shotport', 'utf8').trim();
const [who, width, height, ...steps] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: +width, height: +height }, baseURL: `http://127.0.0.1:${port}` });
await page.goto('/');
await page.getByLabel('Username').fill(who);
await page.getByLabel('Password').fill('loose-rein-26');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('navigation', { name: 'Pages' }).waitFor();
const horses = await (await page.request.get('/api/horses')).json();
const id = (name) => horses.find((h) => h.name === name).horse_id;
let n = 0;
for (const step of steps) {
  const [path, out, ...acts] = step.split('|');
  await page.goto(path.replace(/\{(\w+)\}/, (_, name) => id(name)));
  await page.waitForLoadState('networkidle');
  for (const act of acts) {
    const [what, arg, value] = act.split('=');
    if (what === 'click') await page.getByRole('button', { name: arg }).first().click();
    if (what === 'scroll') await page.getByRole('region', { name: arg }).first().scrollIntoViewIfNeeded();
    if (what === 'fill') await page.getByLabel(arg).fill(value);
    if (what === 'wait') await page.waitForTimeout(+arg);
    if (what === 'down') await page.mouse.wheel(0, +arg);
  }
  await page.waitForTimeout(400);
  await page.screenshot({ path: `/tmp/w/${out}.png`, fullPage: acts.includes('full') });
}
await browser.close();
