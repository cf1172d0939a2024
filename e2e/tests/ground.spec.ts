import { expect, test, type Locator, type Page } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';

/** The ground: a place is drawn, courses are set out in it, the sheet goes on paper. */

const rutted = {
  outline: [
    [0, 0],
    [130, 0],
    [136, 232],
    [4, 240],
  ],
  fence: 'pipe',
  footing: 'rutted',
  gate: { at: [60, 0], width_ft: 14 },
  posts: [
    { name: 'gate post', at: [53, 0] },
    { name: 'water post', at: [2, 120] },
    { name: 'far corner', at: [136, 232] },
  ],
  keep_off: [
    {
      kind: 'ruts',
      outline: [
        [92, 96],
        [112, 90],
        [116, 118],
        [100, 124],
      ],
    },
  ],
};

async function drawn(page: Page, place: string, lay: object = rutted) {
  const answer = await page.request.put(`/api/places/${place}/lay`, { data: lay });
  expect(answer.status(), await answer.text()).toBe(204);
}

async function lay(page: Page, place: string) {
  const answer = await page.request.get(`/api/places/${place}/lay`);
  return ((await answer.json()) as { lay: typeof rutted | null }).lay;
}

/** Where a part of the plan is on the screen. */
async function spot(plan: Locator, across: number, down: number) {
  const box = (await plan.boundingBox())!;
  return { x: box.x + box.width * across, y: box.y + box.height * down };
}

test.describe('with a finger', () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

  test('a place is drawn: fence, gate, a post, ruts; a step is taken back', async ({ page }) => {
    const { places } = await barn(page, 'ground-touch');
    await page.goto(`/yard/places/${places.Arena}`);
    await expect(page.getByText('Not drawn yet.')).toBeVisible();
    await page.getByRole('link', { name: 'Draw the place' }).click();
    const plan = page.getByTestId('plan');
    await plan.scrollIntoViewIfNeeded();
    const tap = async (across: number, down: number) => {
      const at = await spot(plan, across, down);
      await page.touchscreen.tap(at.x, at.y);
    };
    for (const [across, down] of [
      [0.2, 0.85],
      [0.8, 0.85],
      [0.8, 0.15],
      [0.2, 0.15],
    ] as const)
      await tap(across, down);
    await expect(page.getByText('Corners (4)')).toBeVisible();
    await tap(0.5, 0.4);
    await expect(page.getByText('Corners (5)')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText('Corners (4)')).toBeVisible();
    await page.getByRole('button', { name: 'Gate', exact: true }).first().click();
    await tap(0.5, 0.8);
    await expect(page.getByLabel(/Width of the gate/)).toHaveValue('12');
    await page.getByRole('button', { name: 'Posts' }).click();
    await tap(0.78, 0.5);
    await expect(page.getByLabel('Name of post 1')).toHaveValue('post 1');
    await page.getByLabel('Name of post 1').fill('judge post');
    await page.getByRole('button', { name: 'Keep off', exact: true }).click();
    await tap(0.4, 0.4);
    await tap(0.55, 0.4);
    await expect(page.getByRole('button', { name: 'Close this area' })).toBeDisabled();
    await tap(0.5, 0.3);
    await page.getByRole('button', { name: 'Close this area' }).click();
    await page.getByRole('button', { name: 'Save the drawing' }).click();
    await expect(page.getByText('Posts to measure from')).toBeVisible();
    const kept = (await lay(page, places.Arena!))!;
    expect(kept.outline).toHaveLength(4);
    expect(kept.posts.map(({ name }) => name)).toEqual(['judge post']);
    expect(kept.keep_off[0]!.outline).toHaveLength(3);
    // The gate was tapped inside and stands on the fence line.
    const [, up] = kept.gate.at as [number, number];
    expect(Math.abs(up - kept.outline[0]![1]!)).toBeLessThan(0.2);
    expect(await violations(page)).toEqual([]);
  });
});

test('a place by its measures, and from a GeoJSON file and to one', async ({ page }) => {
  const { places } = await barn(page, 'ground-file');
  await page.goto(`/yard/places/${places.Pen}/draw`);
  await page.getByLabel('Width (ft)').fill('60');
  await page.getByRole('button', { name: 'Round, by its width' }).click();
  await expect(page.getByText('Corners (24)')).toBeVisible();
  const file = page.getByLabel('GeoJSON file');
  const give = (text: string) =>
    file.setInputFiles({
      name: 'pen.geojson',
      mimeType: 'application/geo+json',
      buffer: Buffer.from(text),
    });
  await give('{"type":"LineString","coordinates":[[0,0],[1,1]]}');
  await expect(page.getByRole('alert')).toContainText('no polygon');
  await expect(page.getByText('Corners (24)')).toBeVisible();
  const ring = [[0, 0], [30.48, 0], [30.48, 60.96], [0, 60.96], [0, 0]]; // prettier-ignore
  await give(JSON.stringify({ type: 'FeatureCollection', frame: 'local_m', features: [
    { type: 'Feature', properties: {}, geometry: { type: 'Polygon', coordinates: [ring] } }] })); // prettier-ignore
  await expect(page.getByText('Corners (4)')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save to a file' }).click();
  expect((await saving).suggestedFilename()).toBe('place.geojson');
  await page.getByRole('button', { name: 'Save the drawing' }).click();
  await expect(page.getByText('20,000 sq ft')).toBeVisible();
  const kept = (await lay(page, places.Pen!))!;
  expect(kept.outline[2]![0]).toBeCloseTo(100, 3);
});

test('a course is fitted between ruts, a barrel is dragged, and the sheet goes on paper', async ({
  page,
}) => {
  const { places } = await barn(page, 'ground-course');
  await drawn(page, places.Arena!);
  await page.goto(`/yard/places/${places.Arena}`);
  await page.getByRole('link', { name: 'Add a barrel course' }).click();
  const room = page.getByRole('list', { name: 'Room' });
  await expect(room).toContainText('keep off');
  await page.getByRole('button', { name: 'Fit the largest' }).click();
  await expect(page.getByText(/^No course a foot larger fits|^The full course fits/)).toBeVisible({
    timeout: 60_000,
  });
  await expect(room).toContainText('Room enough');
  // What it comes to follows the hand.
  const length = page.getByText(/^\d+ ft, \d+ strides, [\d.]+ s$/);
  const before = await length.textContent();
  const barrel = page.getByRole('button', { name: 'Barrel 3' }).first();
  const box = (await barrel.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 4, box.y + box.height / 2 + 60, { steps: 8 });
  await page.mouse.up();
  await expect(length).not.toHaveText(before!);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(length).toHaveText(before!);
  // Keys move it too, and a pocket by its slider.
  await barrel.focus();
  await page.keyboard.press('ArrowDown');
  await expect(length).not.toHaveText(before!);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('slider', { name: 'Going in, barrel 3' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Going in: 5 ft 3 in')).toBeVisible();
  await page.getByLabel('Name of the course').fill('Saturday');
  await page.getByRole('button', { name: 'Save the course' }).click();
  await page.getByRole('link', { name: 'Setting-out sheet' }).click();
  await expect(page.getByRole('heading', { name: 'From the posts' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(
    page.getByRole('cell', { name: /from (gate post|water post|far corner)/ }).first(),
  ).toBeVisible();
  await expect(page.getByRole('row', { name: /Barrel 1 and barrel 2/ })).toContainText('ft');
  await page.emulateMedia({ media: 'screen' });
  expect(await violations(page)).toEqual([]);
  await page.goBack();
  expect(await violations(page)).toEqual([]);
});

test('two set-ups lie on one plan, and the address keeps them', async ({ page }) => {
  const { places } = await barn(page, 'ground-compare');
  await drawn(page, places.Arena!);
  const course = async (name: string, between: number) => {
    const measures = { between_1_2_ft: between, between_1_3_ft: between * 1.1, score_line_ft: 50 };
    const plan = {
      kind: 'barrels', measures, first: 'right', pockets: [[5, 4, 3], [5, 4, 3], [5, 4, 3]],
      placing: { origin: [65, 60], rotation_deg: 0 }, gait: 'lope', rate_strides: 2,
    }; // prettier-ignore
    const data = { place_id: places.Arena, name, plan };
    const answer = await page.request.post('/api/courses', { data });
    expect(answer.status(), await answer.text()).toBe(201);
    return ((await answer.json()) as { course_id: string }).course_id;
  };
  const [small] = [await course('Small', 60), await course('Middle', 80)];
  await page.goto(`/yard/courses/${small}`);
  await page.getByRole('combobox', { name: 'Beside it' }).click();
  await page.getByRole('option', { name: 'Middle' }).click();
  const shown = (name: string) => page.getByRole('region', { name }).getByText(/^\d+ ft,/);
  const feet = async (name: string) => parseInt((await shown(name).textContent()) ?? '', 10);
  expect(await feet('Middle')).toBeGreaterThan(await feet('Small'));
  await page.reload();
  await expect(shown('Middle')).toBeVisible();
});

test('a drill is laid in, says its asks, and is kept', async ({ page }) => {
  const { places } = await barn(page, 'ground-drill');
  await drawn(page, places.Arena!);
  await page.goto(`/yard/places/${places.Arena}/new/drill`);
  await page.getByRole('combobox', { name: 'Drill' }).click();
  await page.getByRole('option', { name: 'Figure eight' }).click();
  await expect(page.getByText('Radius of each circle: 25 ft (usual)')).toBeVisible();
  await expect(page.getByRole('row', { name: /at the jog/ })).toContainText('4');
  const long = page.getByText(/^\d+ ft, \d+ strides$/);
  // Twice 2 pi 25 ft, four rounds: 1,257 ft by hand.
  await expect(long).toContainText('1257 ft');
  await page.getByRole('slider', { name: 'Rounds' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(long).toContainText('942 ft');
  await page.getByRole('button', { name: 'Save the course' }).click();
  await expect(page.getByRole('button', { name: 'Save changes' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a trail course is checked as it is set, and tomorrow goes by the ladder', async ({
  page,
}) => {
  const { places } = await barn(page, 'ground-trail');
  await drawn(page, places.Arena!);
  await page.goto(`/yard/places/${places.Arena}/new/trail`);
  const row = page.getByRole('row', { name: /1\. Walk-overs/ });
  await expect(row).toContainText('✓ 1 ft 9 in');
  await page.getByLabel(/From pole to pole/).fill('4');
  await expect(row).toContainText('✗ 4 ft');
  await page.getByLabel(/From pole to pole/).fill('1.5');
  await expect(row).toContainText('✓ 1 ft 6 in');
  await page.getByRole('combobox', { name: 'Add' }).click();
  await page.getByRole('option', { name: 'Gate' }).click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: '4. Gate' })).toBeVisible();
  await page.getByRole('button', { name: 'Earlier' }).click();
  await expect(page.getByRole('heading', { name: '3. Gate' })).toBeVisible();
  await page.getByRole('button', { name: 'Save the course' }).click();
  await page.getByRole('combobox', { name: 'For' }).click();
  await page.getByRole('option', { name: 'Tom' }).click();
  await expect(page.getByText('Not open yet: what it needs is not held.').first()).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('three runs: from the saddle, typed, and with a barrel down', async ({ page }) => {
  const { places, horses } = await barn(page, 'ground-runs');
  await drawn(page, places.Arena!);
  const plan = {
    kind: 'barrels', measures: { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60 },
    first: 'right', pockets: [[6, 5, 4], [5, 4, 3], [5, 4, 3]],
    placing: { origin: [60, 45], rotation_deg: 0 }, gait: 'gallop', rate_strides: 2,
  }; // prettier-ignore
  const data = { place_id: places.Arena, name: 'Full course', plan };
  expect((await page.request.post('/api/courses', { data })).status()).toBe(201);
  // From the saddle: on the course, a foot wide at the back of the first barrel.
  await page.goto(`/horses/${horses.Tom}/ride/barrel.pattern/run`);
  await page.getByRole('combobox', { name: 'Course' }).click();
  await page.getByRole('option', { name: 'Full course' }).click();
  const first = page.getByRole('group', { name: 'Barrel 1', exact: true });
  await expect(first).toContainText('In 6 ft');
  await first
    .getByRole('group', { name: 'Barrel 1, back' })
    .getByRole('button', { name: 'Wider' })
    .click();
  await expect(first).toContainText('Back 6 ft wide');
  await page.getByRole('button', { name: 'Save the run' }).click();
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api/horses/${horses.Tom}/runs`);
      return ((await answer.json()) as { runs: unknown[] }).runs.length;
    })
    .toBe(1);
  // Typed: one clean, one with a barrel down.
  const type = async (time: string, knocked: boolean) => {
    await page.goto(`/horses/${horses.Tom}/runs?add`);
    await page.getByLabel('Time (s)').fill(time);
    if (knocked)
      await page
        .getByRole('group', { name: 'Barrel 3', exact: true })
        .getByRole('button', { name: 'Tipped' })
        .click();
    await page.getByRole('button', { name: 'Save the run' }).click();
    await expect(page.getByRole('form', { name: 'Add a run' })).toBeHidden();
  };
  await page.goto(`/horses/${horses.Tom}/runs?add`);
  await page.getByLabel('Time (s)').fill('quick');
  await page.getByRole('button', { name: 'Save the run' }).click();
  await expect(page.getByRole('alert')).toContainText('such as 17.234');
  await type('17.5', false);
  await type('16.9', true);
  // 16.9 s and a barrel are 21.9 s: the clean run is the best, the other one the fastest.
  await expect(page.getByRole('row', { name: /21\.900 s/ })).toContainText('1 barrel down, 5 s');
  await expect(page.getByRole('row', { name: /21\.900 s/ })).toContainText('fastest');
  await expect(page.getByRole('row', { name: /17\.500 s/ })).toContainText('best time');
  await expect(page.getByRole('row')).toHaveCount(3 + 1 + 3 + 1);
  await expect(page.getByText(/3 runs at speed in the last 7 days/)).toContainText(
    'Ride off the pattern for a while.',
  );
  // The felt pocket of the first one, over the plan.
  await page.getByRole('row', { name: /none/ }).getByRole('button').click();
  await expect(page.getByRole('row', { name: '1 6, 5, 4 ft 6, 6, 4 ft' })).toBeVisible();
  expect(await violations(page)).toEqual([]);
});

test('a drawing is taken away and comes back; a long search is stopped', async ({ page }) => {
  const { places } = await barn(page, 'ground-away');
  const round = (x: number, y: number, far: number, corners: number) =>
    Array.from({ length: corners }, (_, index) => {
      const turn = (index / corners) * 2 * Math.PI;
      return [x + far * Math.cos(turn), y + 1.6 * far * Math.sin(turn)];
    });
  const areas = Array.from({ length: 11 }, (_, index) => ({
    kind: 'ruts',
    outline: round(((index * 37) % 90) - 45, ((index * 53) % 150) - 75, 3, 30),
  }));
  const hard = { outline: round(0, 0, 70, 60), fence: 'pipe', footing: 'rutted', keep_off: areas };
  await drawn(page, places.Arena!, hard);
  await page.goto(`/yard/places/${places.Arena}/new/barrels`);
  await expect(page.getByText(/^\d+ ft, \d+ strides/)).toBeVisible();
  const before = await page.getByText(/^\d+ ft, \d+ strides/).textContent();
  await page.getByRole('button', { name: 'Fit the largest' }).click();
  await page.getByRole('button', { name: 'Looking… Stop' }).click();
  await expect(page.getByRole('button', { name: 'Fit the largest' })).toBeVisible();
  await expect(page.getByText(/^\d+ ft, \d+ strides/)).toHaveText(before!);
  await page.getByRole('link', { name: 'Arena' }).click();
  await page.getByRole('button', { name: 'Take the drawing away' }).click();
  await expect(page.getByText('The drawing is gone.')).toBeVisible();
  expect(await lay(page, places.Arena!)).toBeNull();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Inside the fence')).toBeVisible();
  expect((await lay(page, places.Arena!))!.outline).toHaveLength(60);
});
