import { chromium } from 'playwright-core';
import { readFileSync } from 'node:fs';
const port = readFileSync('/tmp/w/shotport','utf8').trim();
const base = `http://127.0.0.1:${port}`;
const [who, out, ...paths] = process.argv.slice(2);
const phone = out.includes('phone');
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
for (let i = 0; i < 50; i++) { try { await page.goto(base); break; } catch { await new Promise(r => setTimeout(r, 500)); } }
await page.getByLabel('Username').fill(who); await page.getByLabel('Password').fill('loose-rein-26');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('heading', { level: 1, name: /day, / }).waitFor();
let n = 0;
for (const path of paths) {
  await page.goto(base + path); await page.getByRole('heading', { level: 1 }).waitFor(); await page.waitForLoadState('networkidle');
  await page.screenshot({ path: `/tmp/w/${out}-${n++}.png`, fullPage: process.env.FULL === '1' });
}
await browser.close();
