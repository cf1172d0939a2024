import { expect, test, type Page } from '@playwright/test';
import { signIn, violations } from './barn';
import { barn } from './new-barn';

/** Tack: the shelf, the bench, changing the bit, the ribbon, who may ride in what. */

const ring = {
  name: 'Ring snaffle',
  kind: 'snaffle',
  measures: { mouthpiece: 'jointed', mouth_in: 5, bar_in: 0.4375, cheek: 'ring', ring_in: 3 },
};
const short = {
  name: 'Short shank',
  kind: 'shank',
  quiet_hands: true,
  measures: {
    mouthpiece: 'ported',
    port_in: 1,
    mouth_in: 5,
    cheek: 'loose_shank',
    purchase_in: 1.5,
    shank_in: 4.5,
    curb: 'strap',
    curb_width_in: 0.625,
    curb_flat: true,
  },
};
const twoRein = { name: 'Two-rein set', kind: 'two_rein', measures: { bosal_in: 0.375 } };

async function hang(page: Page, sheet: object): Promise<string> {
  const answer = await page.request.post('/api/gear', { data: sheet });
  expect(answer.ok(), await answer.text()).toBe(true);
  return ((await answer.json()) as { id: string }).id;
}

async function wear(page: Page, horse: string, gear: string) {
  const answer = await page.request.put(`/api/horses/${horse}/tack/${gear}`, {
    data: { worn: true },
  });
  expect(answer.status(), await answer.text()).toBe(204);
}

test('a bit is measured onto the shelf, drawn to scale, and held against the rules of the ring', async ({
  page,
}) => {
  await barn(page, 'tack-shelf');
  await page.goto('/yard');
  await page.getByRole('link', { name: 'Add a piece of gear' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Grazer');
  await page.getByLabel('Kind').click();
  await page.getByRole('option', { name: 'Shank bit' }).click();
  await page.getByLabel(/^Purchase/).fill('1 1/2');
  await page.getByLabel(/^Shank:/).fill('seven');
  await page.getByLabel(/^Cheek from end to end/).fill('8');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Type a length, such as 4 1/2 or 4.5')).toBeVisible();
  await page.getByLabel(/^Shank:/).fill('7');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText(/at least purchase and shank together, 8.5 in/)).toBeVisible();
  await page.getByLabel(/^Cheek from end to end/).fill('9');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: 'Grazer' })).toBeVisible();
  const drawn = page.getByRole('img', {
    name: /Grazer: Shank bit, purchase 1 1\/2 in, shank 7 in/,
  });
  await expect(drawn).toBeVisible();
  const rules = page.getByRole('region', { name: 'In the show ring' });
  const shank = rules.getByRole('listitem').filter({ hasText: 'A shank is 8 1/2 in' });
  await expect(shank).toContainText('No');
  await expect(shank).toContainText('check the current book');
  await expect(rules.getByRole('listitem').filter({ hasText: 'A port is' })).toContainText(
    "Can't tell",
  );
  await rules.getByLabel('Ridden with').click();
  await page.getByRole('option', { name: 'Two hands' }).click();
  await expect(
    rules.getByRole('listitem').filter({ hasText: 'one hand in the bridle' }),
  ).toContainText('No');
  expect(await violations(page)).toEqual([]);
});

test('the bench answers keys and a dragged rein at once, from the core in the page', async ({
  page,
}) => {
  await barn(page, 'tack-bench');
  const bit = await hang(page, short);
  await hang(page, ring);
  await page.goto(`/yard/bench?bit=${bit}`);
  const picture = page.getByRole('img', { name: /^Short shank, turned/ });
  await expect(picture).toHaveAttribute('aria-label', /turned 20 degrees.* the strap is slack/);
  // From here on the core in the page answers.
  await page.context().route('**/api/calc/**', (route) => route.abort());
  const turn = page.getByRole('slider', { name: 'Turn of the bit' });
  await turn.focus();
  for (let step = 0; step < 20; step++) await page.keyboard.press('ArrowRight');
  await expect(picture).toHaveAttribute('aria-label', /turned 40 degrees.* has taken hold: chin/);
  await expect(page).toHaveURL(/turn=40/);
  // Longer by keys: it takes hold later, and says which hole is wanted.
  const hole = page.getByRole('slider', { name: 'Hole of the strap' });
  await hole.focus();
  await page.keyboard.press('ArrowRight');
  await expect(
    page.getByText(/takes hold at 61 degrees, late: the corner of the lip/),
  ).toBeVisible();
  await expect(page.getByText(/1 hole shorter: then it takes hold at 37 degrees/)).toBeVisible();
  // A strap that could never take hold on this bit is said so, and the picture stays.
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('alert')).toContainText("a strap's half is 0.50 to 3.50 in");
  await expect(picture).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'Buckle it so' }).click();
  await expect(page.getByText('This is the hole.')).toBeVisible();

  // The shank is dragged by the pointer.
  await page.getByRole('button', { name: 'Back to the start' }).click();
  await expect(picture).toHaveAttribute('aria-label', /turned 20 degrees/);
  await page.evaluate(() => window.scrollTo(0, 0));
  const box = (await picture.boundingBox())!;
  const inch = Math.min(box.width / 13.4, box.height / (4.5 + 4.2 + 3));
  const left = box.x + (box.width - 13.4 * inch) / 2;
  const top = box.y + (box.height - (4.5 + 4.2 + 3) * inch) / 2;
  const at = (x: number, y: number) => [left + (x + 4.4) * inch, top + (y + 4.2) * inch] as const;
  const angle = (degrees: number) => (degrees * Math.PI) / 180;
  await page.mouse.move(...at(3 * Math.sin(angle(20)), 3 * Math.cos(angle(20))));
  await page.mouse.down();
  await page.mouse.move(...at(3 * Math.sin(angle(50)), 3 * Math.cos(angle(50))), { steps: 6 });
  await page.mouse.up();
  await expect(picture).toHaveAttribute('aria-label', /turned (49|50|51) degrees/);

  // Beside it a snaffle for the same hands: wider, the joint opens and the squeeze goes.
  await page.getByLabel('Beside it').click();
  await page.getByRole('option', { name: 'Ring snaffle' }).click();
  const joint = page.getByRole('img', { name: /^Ring snaffle, hands 16 inches apart/ });
  await expect(joint).toBeVisible();
  const apart = page.getByRole('slider', { name: 'Hands apart' });
  await apart.focus();
  await page.keyboard.press('End');
  await expect(page.getByRole('img', { name: /hands 48 inches apart/ })).toBeVisible();
  // The address follows when the hand rests.
  await expect(page).toHaveURL(/apart=48/);
  await page.reload();
  await expect(page.getByRole('img', { name: /hands 48 inches apart/ })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('on a phone the bit is changed step by step, also without signal', async ({
  page,
  context,
}) => {
  const of = await barn(page, 'tack-change');
  await page.setViewportSize({ width: 390, height: 844 });
  const horse = of.horses.Tom!;
  const gear = await hang(page, short);
  await wear(page, horse, await hang(page, ring));
  await page.goto(`/horses/${horse}/tack`);
  await page.getByRole('link', { name: 'Change to it' }).click();
  await expect(page.getByText(/First time in a new bit: never alone/)).toBeVisible();
  await expect(page.getByText(/the first shank bit needs it/)).toBeVisible();
  await page.getByRole('button', { name: 'Begin' }).click();
  const step = page.getByRole('heading', { level: 2 });
  await expect(step).toHaveText('Look at the mouth and teeth');
  const fine = page.getByRole('button', { name: '✓ Fine' });
  expect((await fine.boundingBox())!.height).toBeGreaterThanOrEqual(72);
  await fine.click();
  await expect(step).toHaveText('Let the strap out');
  await context.setOffline(true);
  await page.getByRole('button', { name: '~ Bothered' }).click();
  await expect(page.getByText(/the same once more/)).toBeVisible();
  await page.getByRole('button', { name: '~ Bothered' }).click();
  await expect(step).toHaveText('Look at the adjustment');
  await page.getByRole('button', { name: 'Adjusted, try again' }).click();
  await expect(step).toHaveText('Let the strap out');
  await context.setOffline(false);
  for (let taken = 0; taken < 12; taken++) {
    const before = await step.textContent();
    await fine.click();
    await expect(step).not.toHaveText(before!);
  }
  await expect(step).toHaveText('Every step went well');
  await page.getByRole('button', { name: 'Wears it from now on' }).click();
  await expect(page.getByText('Wears it from now on.')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  const kept = async () => {
    const said = await page.request.get(`/api/horses/${horse}/bit-changes`);
    const { changes } = (await said.json()) as {
      changes: { gear_id: string; steps: unknown[]; next: { what: string } }[];
    };
    return changes.map(({ gear_id, steps, next }) => [gear_id, steps.length, next.what]);
  };
  await expect.poll(kept).toEqual([[gear, 16, 'done']]);
  await page.goto(`/horses/${horse}/tack`);
  await expect(page.getByText(/16 steps, bothered 2 times/)).toBeVisible();
});

test('who is not cleared for quiet hands does not start in such tack, and is told why', async ({
  page,
  browser,
}) => {
  const of = await barn(page, 'tack-cleared');
  const horse = of.horses.Tom!;
  await wear(page, horse, await hang(page, short));
  await hang(page, ring);
  const link = await page.request.post(`/api/people/${of.people.Juna!}/link`, { data: {} });
  expect(link.ok(), await link.text()).toBe(true);
  const { word } = (await link.json()) as { word: string };
  const context = await browser.newContext({ baseURL: test.info().project.use.baseURL });
  const own = await context.newPage();
  await own.request.post('/api/links/take', { data: { word, password: 'a steady hand' } });
  await own.setViewportSize({ width: 390, height: 844 });
  await own.goto(`/horses/${horse}/ride/bend.flex/stand`);
  const stopped = own.getByRole('alert');
  await expect(stopped.getByRole('heading', { name: 'Not in this tack' })).toBeVisible();
  await expect(stopped).toContainText("isn't cleared for");
  await expect(own.getByRole('button', { name: 'Left' })).toHaveCount(0);
  expect(await violations(own)).toEqual([]);
  await stopped.getByRole('button', { name: 'Take other tack' }).click();
  await expect(own.getByRole('button', { name: /^Short shank/ })).toBeDisabled();
  await own.getByRole('button', { name: /^Ring snaffle/ }).click();
  await expect(stopped).toHaveCount(0);
  await expect(own.getByText('Ring snaffle')).toBeVisible();
  await context.close();
});

test('in the two-rein the ribbon is dragged or stepped, and says what the horse asked for', async ({
  page,
}) => {
  const of = await barn(page, 'tack-ribbon');
  await page.setViewportSize({ width: 390, height: 844 });
  const horse = of.horses.Tom!;
  await wear(page, horse, await hang(page, twoRein));
  await page.goto(`/horses/${horse}/ride/stop.seat/walk`);
  const ribbon = page.getByRole('group', { name: 'Bosal and bridle' });
  await expect(ribbon).toContainText('Bosal 90%, bridle 10%');
  await expect(ribbon).toContainText('The first ride starts with 90% bosal');
  await ribbon.getByRole('button', { name: 'A quarter to the bridle' }).click();
  await expect(ribbon).toContainText('Bosal 65%, bridle 35%');
  // The ride begins with its first ask.
  await page.goto(`/horses/${horse}/ride/bend.hip/stand`);
  await page.getByRole('button', { name: /clean/i }).first().click();
  await expect(ribbon.getByRole('button', { name: 'Asks for the bridle' })).toBeEnabled();
  await ribbon.getByRole('button', { name: 'Asks for the bridle' }).click();
  const share = ribbon.getByRole('slider', { name: 'Share of the bosal' });
  await share.focus();
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowRight');
  await expect(ribbon).toContainText('Bosal 50%, bridle 50%');
  await ribbon.getByRole('button', { name: 'Asks back' }).click();
  await ribbon.getByRole('button', { name: /^Undo/ }).click();
  await expect(ribbon.getByRole('img')).toHaveAttribute(
    'aria-label',
    /asked for the bridle 1 time, asked back 0 times/,
  );
  expect(await violations(page)).toEqual([]);
  const kept = async () => {
    const said = await page.request.get(`/api/horses/${horse}/two-rein`);
    const { rides } = (await said.json()) as {
      rides: { ride: { segments: { bosal_pct: number }[]; events: { ask: string }[] } }[];
    };
    return rides.map(({ ride }) => [
      ride.segments.at(-1)?.bosal_pct,
      ride.events.map((e) => e.ask),
    ]);
  };
  await expect.poll(kept).toEqual([[50, ['for_bridle']]]);
  await page.goto(`/horses/${horse}/two-rein`);
  await expect(page.getByText(/Start with 65% bosal, 35% bridle/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^Plan from 90% bosal to 10%/ })).toBeVisible();
});

test('the demo shows a horse on its way from the bosal to the bridle', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  await page.goto('/yard');
  await expect(page.getByRole('list', { name: 'Tack shelf' }).getByRole('listitem')).toHaveCount(6);
  await page.getByRole('link', { name: /Two-rein set/ }).click();
  await page.getByRole('link', { name: /Quill, wears it now/ }).click();
  await expect(page.getByText(/Half-inch bosal \(bosal\), for the first time/)).toBeVisible();
  await page.getByRole('link', { name: 'Bosal to bridle' }).click();
  await expect(page.getByRole('heading', { name: 'Ride by ride' })).toBeVisible();
  await expect(page.getByText(/Sustained/).first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a way back names who rides; more in the hand than the tack allows is said kindly', async ({
  page,
}) => {
  const of = await barn(page, 'tack-way-back');
  const horse = of.horses.Tom!;
  await hang(page, ring);
  const bit = await hang(page, short);
  await page.goto(`/horses/${horse}/tack`);
  await page.getByRole('button', { name: 'Begin a way back' }).click();
  const form = page.getByRole('form', { name: 'The way back' });
  await form.getByRole('button', { name: 'Begin' }).click();
  await expect(form.getByText('Name at least one rider')).toBeVisible();
  await form.getByRole('button', { name: 'Dell' }).click();
  await form.getByRole('slider', { name: 'Weeks' }).focus();
  await page.keyboard.press('ArrowRight');
  await form.getByRole('button', { name: 'Begin' }).click();
  const way = page.getByRole('region', { name: 'Way back' });
  await expect(way).toContainText('Week 1 of 9. Now: one rein at a time, standing');
  await expect(way).toContainText('Ridden by Dell only.');
  await expect(way).toContainText('No two reins straight back until each side is soft alone.');
  await expect(way).toContainText('Left not asked yet. Right not asked yet');
  expect(await violations(page)).toEqual([]);
  await way.getByRole('button', { name: 'The way back is over' }).click();
  await expect(way.getByRole('button', { name: 'Begin a way back' })).toBeVisible();

  // Ten asks with a forearm, in tack that allows two fingers.
  const [rideId, blockId] = [crypto.randomUUID(), crypto.randomUUID()];
  const startedAt = new Date(Date.now() - 1_800_000);
  const level = { skill: 'bend.flex', rung: 'stand' };
  const reps = Array.from({ length: 10 }, (_, sequence) => ({
    rep_id: crypto.randomUUID(),
    ride_id: rideId,
    block_id: blockId,
    ...level,
    side: sequence % 2 === 0 ? 'left' : 'right',
    sequence,
    asked_after_ms: 10_000 * sequence,
    asked_at: new Date(startedAt.getTime() + 10_000 * sequence).toISOString(),
    measure: { kind: 'give', hand: 'forearm', time_s: 1.5, answer: 'gave' },
  }));
  const stored = await page.request.post('/api/batches', {
    headers: { 'cavesson-batch-form': '2' },
    data: {
      person_id: of.people.Dell,
      sent_at: new Date().toISOString(),
      rides: [
        {
          ride_id: rideId,
          horse_id: horse,
          started_at: startedAt.toISOString(),
          blocks: [{ block_id: blockId, position: 0, ...level }],
          rigs: [{ after_ms: 0, kind: 'shank', gear_id: bit, name: 'Short shank' }],
        },
      ],
      reps,
    },
  });
  expect(stored.ok(), await stored.text()).toBe(true);
  await page.goto('/');
  const hands = page.getByRole('region', { name: 'Hands' });
  await expect(hands).toContainText(
    'Dell had more in the hand than the tack allows on 10 of the last 10 asks.',
  );
  await hands.getByRole('link', { name: 'Week by week' }).click();
  await expect(
    page.getByRole('img', { name: /mostly a forearm, heaviest a forearm/ }),
  ).toBeVisible();
  await page.goto(`/horses/${horse}/tack`);
  await expect(page.getByText(/Short shank \(shank bit\)/).first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
});
