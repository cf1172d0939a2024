import { chromium } from 'playwright-core';
const port = process.argv[2]; const base = `http://127.0.0.1:${port}`;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
async function person(who, viewport) {
  const ctx = await browser.newContext({ viewport, deviceScaleFactor: 1, hasTouch: viewport.width < 500 });
  const page = await ctx.newPage();
  await page.goto(base); await page.getByLabel('Username').fill(who); await page.getByLabel('Password').fill('loose-rein-26');
  await page.getByRole('button', { name: 'Sign in' }).click(); await page.getByRole('heading', { level: 1, name: /day, / }).waitFor();
  return page;
}
const wanted = process.argv.slice(3);
const id = async (page, name) => (await (await page.request.get(base + '/api/horses')).json()).find((h) => h.name === name).horse_id;
const shots = {
  async today() { const p = await person('wren@saltgrass', { width: 1280, height: 800 }); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/w/today.png' }); },
  async todayp() { const p = await person('wren@saltgrass', { width: 390, height: 844 }); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/w/todayp.png' }); },
  async card() { const p = await person('wren@saltgrass', { width: 1280, height: 800 }); await p.goto(`${base}/horses/${await id(p, 'Harrow')}/card`); await p.getByText('Walk out').first().waitFor(); await p.waitForTimeout(400); await p.screenshot({ path: '/tmp/w/card.png' , fullPage: true}); },
  async cardp() { const p = await person('wren@saltgrass', { width: 390, height: 844 }); await p.goto(`${base}/horses/${await id(p, 'Harrow')}/card`); await p.getByText('Walk out').first().waitFor(); await p.waitForTimeout(400); await p.screenshot({ path: '/tmp/w/cardp.png', fullPage: true }); },
  async print() { const p = await person('wren@saltgrass', { width: 1000, height: 1290 }); await p.goto(`${base}/horses/${await id(p, 'Harrow')}/card`); await p.getByText('Walk out').first().waitFor(); await p.emulateMedia({ media: 'print' }); await p.waitForTimeout(300); await p.screenshot({ path: '/tmp/w/print.png' }); },
  async ridep() { const p = await person('wren@saltgrass', { width: 390, height: 844 }); await p.goto(`${base}/horses/${await id(p, 'Harrow')}/card`); await p.getByRole('button', { name: 'Ride this card' }).click(); await p.getByRole('button', { name: 'Finish' }).waitFor(); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/w/ridep.png' }); await p.getByRole('navigation', { name: 'Parts of the ride' }).getByRole('link').nth(6).click(); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/w/ridep2.png' }); },
  async horse() { const p = await person('wren@saltgrass', { width: 1280, height: 800 }); await p.goto(`${base}/horses/${await id(p, 'Harrow')}`); await p.getByRole('region', { name: 'Traits' }).waitFor(); await p.getByRole('region', { name: 'Traits' }).scrollIntoViewIfNeeded(); await p.waitForTimeout(800); await p.screenshot({ path: '/tmp/w/horse.png' }); },
};
for (const name of wanted) await shots[name]();
await browser.close();
