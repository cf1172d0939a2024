import { expect, test, type Page } from '@playwright/test';
import {
  expectAllSent,
  expectAsked,
  flex,
  hold,
  horse,
  openRecorder,
  programId,
  signIn,
  type Horse,
} from './barn';

/** The horse, the barn, the ladder: what the judge says, and what is done about it. */

interface Level {
  level: { name: string; skill: string; rung: string };
  state: string;
  verdict: string;
}
interface Hole {
  name: string;
  evidence: { fault: string; name: string; times: number; chances: number; side: string | null }[];
  remedies: { fault: string; text: string }[];
}
interface HorsePage {
  on: string;
  levels: Level[];
  faults: Hole['evidence'];
  holes: Hole[];
  soft_map: { zone: string; side: string; now: { soft: number; asked: number } }[];
  sides: { left: { soft: number; asked: number }; level: number }[];
  card: { text: string; day: string }[];
}

const pageOf = async (page: Page, { horse_id }: Horse) =>
  (await (await page.request.get(`/api/horses/${horse_id}/page`)).json()) as HorsePage;

test("from a fault chip to the hole to the remedy on tomorrow's card", async ({ page }) => {
  await signIn(page, 'ines@twocedars');
  const lanternfly = await horse(page, 'Lanternfly');
  const rooted = async () =>
    (await pageOf(page, lanternfly)).faults.find(({ fault }) => fault === 'roots_down')?.times ?? 0;
  const before = await rooted();
  await openRecorder(page, 'Lanternfly');
  for (const side of ['left', 'right', 'left', 'right'] as const) await hold(page, side, 300);
  await expectAsked(page, 'right', 2);
  await page.getByRole('button', { name: 'Finish' }).click();

  // The chip: the horse rooted down in this ride.
  const chip = page.getByRole('button', { name: 'roots, leans down' });
  await chip.click();
  await expect(chip).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Wind' }).click();
  await expectAllSent(page);
  await page.reload();
  await expect(chip).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('button', { name: 'Wind' })).toHaveAttribute('aria-pressed', 'true');

  // The hole under it, with what it rests on.
  // A chip is said of the ride, which goes out by itself.
  await expect.poll(rooted).toBe(before + 1);
  await page.getByRole('link', { name: 'Lanternfly' }).click();
  const faults = page.getByRole('list', { name: 'Faults seen' });
  await expect(faults.getByRole('link', { name: /^roots, leans down, \d+ of \d+/ })).toBeVisible();
  const known = await pageOf(page, lanternfly);
  const place = known.holes.findIndex(({ evidence }) =>
    evidence.some(({ fault }) => fault === 'roots_down'),
  );
  expect(place).toBeGreaterThanOrEqual(0);
  const hole = known.holes[place]!;
  const section = page.getByRole('region', { name: 'Faults and likely causes' });
  if (place > 0) await section.locator('summary', { hasText: hole.name }).click();
  const rests = hole.evidence.find(({ fault }) => fault === 'roots_down')!;
  await expect(
    section
      .getByText(new RegExp(`${rests.name}, ${rests.times} of ${rests.chances}.*last today`))
      .filter({ visible: true }),
  ).toBeVisible();

  // Its remedy goes on tomorrow's card.
  const remedy = hole.remedies.find(({ fault }) => fault === 'roots_down')!;
  const line = section
    .getByRole('listitem')
    .filter({ hasText: remedy.text, visible: true })
    .filter({ has: page.getByRole('button') });
  await line.getByRole('button', { name: "Put on tomorrow's card" }).click();
  const card = page.getByRole('region', { name: "On tomorrow's card" });
  await expect(card).toContainText(remedy.text);
  await expect(line.getByRole('button', { name: 'On the card' })).toBeDisabled();
  const [block] = (await pageOf(page, lanternfly)).card;
  expect(block?.text).toBe(remedy.text);
  expect(block!.day > known.on).toBe(true);

  // And off again; the chip too.
  await card.getByRole('button', { name: /^Take off/ }).click();
  await expect(card).toHaveCount(0);
  await page.goBack();
  await chip.click();
  await expect(chip).toHaveAttribute('aria-pressed', 'false');
  await expect.poll(rooted).toBe(before);
});

test('what another device sends shows on the horse page by itself', async ({ page, browser }) => {
  await signIn(page, 'pia@saltgrass');
  const marlow = await horse(page, 'Marlow Fen');
  const live = page.waitForResponse((answer) => answer.url().endsWith('/api/live'));
  await page.goto(`/horses/${marlow.horse_id}`);
  await live;
  await expect(page.getByRole('heading', { level: 1, name: 'Marlow Fen' })).toBeVisible();

  const other = await browser.newContext();
  const rail = await other.newPage();
  await signIn(rail, 'wren@saltgrass');
  const started_at = new Date(Date.now() - 60_000).toISOString();
  const [ride_id, rep_id, block_id] = [1, 2, 3].map(() => crypto.randomUUID());
  const level = { skill: 'start.touch', rung: 'stand' };
  const { person_id } = (await (await rail.request.get('/api/session')).json()) as {
    person_id: string;
  };
  const sent = await rail.request.post('/api/batches', {
    data: {
      person_id,
      sent_at: new Date().toISOString(),
      rides: [
        {
          ride_id,
          horse_id: marlow.horse_id,
          started_at,
          finished_after_ms: null,
          blocks: [{ block_id, position: 0, ...level }],
        },
      ],
      reps: [
        {
          rep_id,
          ride_id,
          block_id,
          ...level,
          side: 'left',
          sequence: 0,
          asked_after_ms: 0,
          asked_at: started_at,
          measure: {
            kind: 'calm',
            minutes: 4,
            relaxed: true,
            signs: [],
            trouble: [],
            drawn_to: [],
          },
        },
      ],
    },
  });
  expect(sent.ok(), await sent.text()).toBe(true);
  await other.close();
  const asks = page.getByRole('region', { name: 'First asks' });
  await expect(asks.getByText('Easy about stick, flag and rope')).toBeVisible();
  await expect(asks.getByRole('link', { name: /today|left: soft/ }).first()).toBeVisible();
});

test('everything on the horse page drills down to its asks', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const harrow = await horse(page, 'Harrow');
  const known = await pageOf(page, harrow);
  await page.goto(`/horses/${harrow.horse_id}`);

  // Figures are the core's own.
  const map = page.getByRole('region', { name: 'Soft map' });
  for (const side of ['left', 'right']) {
    const own = known.soft_map.filter((zone) => zone.zone === 'ribs' && zone.side === side);
    const soft = own.reduce((sum, { now }) => sum + now.soft, 0);
    const asked = own.reduce((sum, { now }) => sum + now.asked, 0);
    const half = map.locator(`[data-zone-side="ribs ${side}"]`);
    await expect(half).toContainText(`${Math.floor((soft / asked) * 100 + 1e-9)}%`);
    await expect(half).toContainText(`${asked} asks`);
  }
  const hole = known.holes[0]!;
  await expect(page.getByRole('link', { name: hole.name }).first()).toBeVisible();
  expect(hole.name).toBe('Backs soft, step by step');

  // A zone of the soft map, its level, its reins.
  await map.locator('[data-zone-side="ribs right"]').click();
  await map.getByRole('link', { name: 'Gives the ribs to the inside leg, at the jog' }).click();
  await expect(page.getByText(/Soft share, right side: the asks behind it/)).toBeVisible();

  // A first ask, and the very rep.
  await page.goto(`/horses/${harrow.horse_id}`);
  const asks = page.getByRole('region', { name: 'First asks' });
  await asks.getByRole('link').last().click();
  await expect(page).toHaveURL(/rail=first_ask&rep=/);
  await expect(page.getByRole('link', { name: 'See the ride' })).toBeVisible();

  // A fault, and the rep it came in last.
  await page.goto(`/horses/${harrow.horse_id}`);
  await page.getByRole('list', { name: 'Faults seen' }).getByRole('link').first().click();
  await expect(page.getByRole('link', { name: 'See the ride' })).toBeVisible();

  // A level on the verdict board, its gate, back to the horse.
  await page.goto(`/horses/${harrow.horse_id}`);
  const board = page.getByRole('region', { name: /^Where (he|she) stands$/ });
  await board.getByRole('link', { name: /Travels alongside a cow, at the walk/ }).click();
  await expect(page.getByRole('group', { name: 'The gate is closed' })).toBeVisible();
  await page.getByRole('link', { name: 'Harrow', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Harrow' })).toBeVisible();

  // The ladder: a rung, picked on the drawing, says where the horse stands there.
  const ladder = page.getByRole('region', { name: 'On the ladder' });
  await ladder.locator('[data-level="stop.seat/jog"]').click();
  await expect(
    ladder.getByRole('heading', { name: 'Stops off the seat, at the jog' }),
  ).toBeVisible();
  await ladder.getByRole('link', { name: 'See its gate' }).click();
  await expect(page).toHaveURL(/stop\.seat\/jog/);
});

test('the mare is held against herself out of season', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  const halfmoon = await horse(page, 'Halfmoon');
  await page.goto(`/horses/${halfmoon.horse_id}`);
  const season = page.getByRole('region', { name: 'In season' });
  await expect(season).toContainText(/In season \d+% soft of \d+ asks, out of it \d+%/);
  await expect(season).toContainText('points less, very likely real');
  await expect(page.getByRole('region', { name: 'Slipping' })).toContainText(
    /Gives the ribs to the inside leg, at the jog.*Was steady at \d+%/,
  );
});

test('a flag of care comes before everything, and is cleared again', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  const pocketwatch = await horse(page, 'Pocketwatch');
  await page.goto(`/horses/${pocketwatch.horse_id}`);
  const care = page.getByRole('region', { name: 'Care' });
  await care.getByRole('combobox', { name: 'What' }).click();
  await page.getByRole('option', { name: 'Off or uneven' }).click();
  await care.getByLabel('Notes').fill('Short behind on the right.');
  await care.getByRole('button', { name: 'Add' }).click();
  const first = page.getByRole('note', { name: 'Check first' });
  await expect(first).toContainText('vet or farrier');
  await expect(care).toContainText('Off or uneven, open today. Short behind on the right.');
  await care.getByRole('button', { name: 'Clear' }).click();
  await expect(first).toHaveCount(0);
  await expect(care).toContainText('Off or uneven, cleared');
});

test('the editor shows at once which verdicts a gate would change; undo, versions, reset', async ({
  page,
}) => {
  await signIn(page, 'wren@saltgrass');
  await page.goto(`/programs/${await programId(page, 'Barrel horses')}?level=barrel.drill/jog`);
  const preview = page.getByRole('region', { name: 'What it would change' });
  await expect(preview).toContainText('1 horse judged: no verdict would change.');

  const gate = page.getByRole('region', { name: 'Gate of Small three-barrel drill, at the jog' });
  await expect(gate.getByLabel('Soft share on each side', { exact: true })).toHaveValue('85');
  const changes: [string, string][] = [
    ['Soft share on each side', '40'],
    ['Proven above', '0'],
    ['First asks soft', '0'],
    ['Sides may differ by', '100'],
    ['Level below soft on its last day', 'no'],
  ];
  for (const [label, value] of changes) {
    if (value === 'no') {
      await gate.getByLabel(label).click();
      await page.getByRole('option', { name: 'no', exact: true }).click();
    } else await gate.getByLabel(label, { exact: true }).fill(value);
  }
  const changed = preview
    .getByRole('listitem')
    .filter({ hasText: 'Small three-barrel drill, at the jog' });
  await expect(changed).toContainText(/stay, .*→ *advance, held/);

  // The same gate on one horse, judged in the page while a slider moves.
  const one = page.getByRole('region', { name: 'One horse at this gate' });
  await one.getByLabel('Try it on one horse').click();
  await page.getByRole('option', { name: 'Quill', exact: true }).click();
  await expect(one.getByRole('status')).toContainText(/^Advance: (\d+) of \1 rails filled/);
  const share = gate.getByRole('slider', { name: 'Soft share on each side' });
  await share.fill('100');
  await expect(gate.getByLabel('Soft share on each side', { exact: true })).toHaveValue('100');
  await expect(one.getByRole('status')).toContainText(/rails filled/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(changed).toBeVisible();

  // A number that cannot be is said where it stands, and nothing is lost.
  await gate.getByLabel('Soft share on each side', { exact: true }).fill('140');
  await expect(preview).toContainText(/soft share/i);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(changed).toBeVisible();

  for (let step = 0; step < changes.length; step += 1)
    await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await expect(preview).toContainText('no verdict would change');
  for (let step = 0; step < changes.length; step += 1)
    await page.getByRole('button', { name: 'Redo' }).click();
  await expect(changed).toBeVisible();

  // What is typed survives a reload; saving makes a version.
  await page.reload();
  await expect(gate.getByLabel('Soft share on each side', { exact: true })).toHaveValue('40');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  const versions = page.getByRole('region', { name: 'Versions' });
  await expect(versions).toContainText('Version 2, in use');
  await expect(preview).toContainText('no verdict would change');
  const quill = await horse(page, 'Quill');
  const judged = await page.request.get(`/api/horses/${quill.horse_id}/levels/barrel.drill/jog`);
  expect(((await judged.json()) as { judgement: Level }).judgement.verdict).toBe('advance');

  // An old version is taken up as a new one.
  await versions.getByRole('button', { name: 'Restore version 1' }).click();
  await expect(changed).toContainText(/advance, held *→ *stay/);
  await page.getByRole('button', { name: 'Save as version 3' }).click();
  await expect(versions).toContainText('Version 3, in use');
  await page.getByRole('button', { name: 'Reset to standard' }).click();
  await expect(gate.getByLabel('Soft share on each side', { exact: true })).toHaveValue('80');
  await page.getByRole('button', { name: 'Reset all to standard' }).click();
  await expect(
    page.getByRole('radio', { name: 'Late, when lateral and vertical are soft' }),
  ).toBeChecked();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: 'Never', exact: true })).toBeChecked();
});

test('a program is made, a horse put on it and taken off', async ({ page }) => {
  await signIn(page, 'ines@twocedars');
  await page.getByRole('link', { name: 'Ladder', exact: true }).click();
  await page.getByRole('link', { name: 'Make a program' }).click();
  await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled();
  await page.getByLabel('Name').fill('Hackamore');
  await page.getByRole('radio', { name: /Bosal sizes, two-rein/ }).check();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('region', { name: 'Versions' })).toContainText('Version 1, in use');
  const on = page.getByRole('region', { name: 'Horses on it' });
  await on.getByRole('combobox').click();
  await page.getByRole('option', { name: 'Lanternfly' }).click();
  await expect(on.getByRole('link', { name: 'Lanternfly' })).toBeVisible();
  // The ladder it makes is the hackamore's.
  await expect(page.locator('[data-level="bridle.two-rein/walk"]')).toHaveCount(1);
  await expect(page.locator('[data-level="bridle.shank-two-hands/walk"]')).toHaveCount(0);
  await on.getByRole('button', { name: 'Take Lanternfly off it' }).click();
  await expect(on.getByText('None yet.')).toBeVisible();
});

test('a trainer overrules the judge; it is kept, shown, and taken back', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const harrow = await horse(page, 'Harrow');
  const gate = `/horses/${harrow.horse_id}/levels/cow.track/walk`;
  const state = async () => {
    const answer = await page.request.get(`/api${gate}`);
    return ((await answer.json()) as { judgement: Level }).judgement.state;
  };
  const before = await state();
  await page.goto(gate);
  await page.getByRole('button', { name: 'Override' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Why').fill('Rated three cows in a row at the sale barn.');
  await dialog.getByRole('button', { name: 'Save' }).click();
  await expect(dialog).toHaveCount(0);
  await expect(page.getByText(/Rated three cows in a row/).first()).toBeVisible();
  // What it needs is not held: the word holds, and the level waits for it.
  expect(await state()).toBe('waiting');
  await expect(page.getByText(/^Waits for moves a cow\./)).toBeVisible();

  await page.getByRole('link', { name: 'Looking back' }).click();
  const decisions = page.getByRole('region', { name: 'Overrides' });
  const own = decisions.getByRole('listitem').filter({ hasText: 'Rated three cows' });
  await expect(own).toContainText('Harrow: Travels alongside a cow, at the walk');
  await expect(own).toContainText(/Counted as held; Cavesson had said [a-z ]+\./);
  await expect(own).toContainText('Wren Aldecott, today. Too soon to tell.');
  // Others turned out already.
  await expect(decisions.getByText(/Dances in the position/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cavesson said advance' })).toContainText(
    /\d+ of \d+ held/,
  );
  await own.getByRole('button', { name: /^Undo override/ }).click();
  await expect(own).toContainText('Undone.');
  expect(await state()).toBe(before);
});

test('two dates and two horses stand side by side', async ({ page }) => {
  await signIn(page, 'wren@saltgrass');
  const [harrow, quill] = [await horse(page, 'Harrow'), await horse(page, 'Quill')];
  await page.goto(`/horses/${harrow.horse_id}`);
  await page.getByRole('link', { name: 'Compare' }).click();
  const differ = page.getByRole('region', { name: 'Where they differ' });
  await expect(
    differ.getByRole('row', { name: /Travels alongside a cow, at the walk closed \w/ }),
  ).toBeVisible();
  await page.getByRole('group', { name: 'Second' }).getByRole('combobox').click();
  await page.getByRole('option', { name: 'Quill' }).click();
  await expect(page).toHaveURL(new RegExp(quill.horse_id));
  await expect(differ.getByRole('columnheader', { name: /^Quill/ })).toBeVisible();
  await expect(
    differ.getByRole('row', { name: /Small three-barrel drill, at the jog/ }),
  ).toBeVisible();
});

test('owners and riders see, trainers decide', async ({ page }) => {
  await signIn(page, 'odell@saltgrass');
  const quill = await horse(page, 'Quill');
  await page.goto(`/horses/${quill.horse_id}`);
  await expect(page.getByRole('heading', { level: 1, name: 'Quill' })).toBeVisible();
  await expect(page.getByRole('button', { name: "Put on tomorrow's card" })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Add' })).toHaveCount(0);
  await page.goto(`/horses/${quill.horse_id}/levels/${flex}`);
  await expect(page.getByRole('heading', { name: 'What it would take' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Override' })).toHaveCount(0);
  await page.goto('/ladder');
  await expect(page.getByRole('heading', { level: 1, name: 'The ladder' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Make a program' })).toHaveCount(0);
  await page.goto('/barn');
  await expect(page.getByRole('rowheader')).toHaveCount(3);
});
