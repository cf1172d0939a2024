import { expect, test, type Locator, type Page } from '@playwright/test';
import { makeClip } from '../clip/makeClip';
import * as truth from '../clip/truth';
import { violations } from './barn';
import { barn } from './new-barn';

/** The tape room, on a film whose every frame is known: a run drawn and encoded here. */

const { frameS, frameBegins, frameOf, fromTheGate, fromTheSide } = truth;

interface Sheet {
  films: { frame_s: number; length_s: number }[];
  tie: { first_s: number; second_s: number } | null;
  marks: { film: number; at_s: number; mark: { kind: string; barrel?: number; spot?: number } }[];
  known: { name: string; seen: number[] }[];
  track: { at_s: number; seen: number[] }[];
}

async function course(page: Page, place: string): Promise<string> {
  const lay = {
    outline: truth.outline,
    fence: 'pipe',
    footing: 'good',
    posts: [truth.post],
  };
  expect((await page.request.put(`/api/places/${place}/lay`, { data: lay })).status()).toBe(204);
  const pocket = [truth.pocketFt, truth.pocketFt, truth.pocketFt];
  const plan = {
    kind: 'barrels',
    measures: { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60 },
    first: 'right',
    pockets: [pocket, pocket, pocket],
    placing: { origin: truth.scoreLine, rotation_deg: 0 },
    gait: 'gallop',
    rate_strides: 2,
  };
  const data = { place_id: place, name: 'Full course', plan };
  const answer = await page.request.post('/api/courses', { data });
  expect(answer.ok(), await answer.text()).toBe(true);
  return ((await answer.json()) as { course_id: string }).course_id;
}

/** Shows a frame: the clock under the film names it. */
async function show(page: Page, frame: number, film = 1) {
  const scrub = page.getByRole('slider', { name: 'Where in the film' });
  await scrub.evaluate((input, value) => {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
    set.call(input, String(value));
    input.dispatchEvent(new Event('input', { bubbles: true }));
    input.dispatchEvent(new Event('change', { bubbles: true }));
  }, frameBegins(frame));
  await expect(clock(page, film)).toHaveText(`0:${frameBegins(frame).toFixed(2).padStart(5, '0')}`);
}

const clock = (page: Page, film = 1) =>
  page.getByRole('figure', { name: `Film ${film}` }).getByRole('timer');

/** Taps a point of the film. */
async function tap(film: Locator, [x, y]: number[], { width, height }: truth.Camera) {
  const box = (await film.boundingBox())!;
  await film
    .page()
    .mouse.click(box.x + (x! / width) * box.width, box.y + (y! / height) * box.height);
}

async function kept(page: Page, horse: string): Promise<Sheet> {
  const answer = await page.request.get(`/api/horses/${horse}/tapes`);
  return ((await answer.json()) as { sheet: Sheet }[])[0]!.sheet;
}

async function openClip(page: Page, name: string, buffer: Buffer) {
  await page.getByLabel('Film file').setInputFiles({ name, mimeType: 'video/webm', buffer });
}

test('a run is marked in a film: splits, strides, the way on the plan, to the frame', async ({
  page,
}) => {
  const { horses, places } = await barn(page, 'tape-run');
  await course(page, places.Arena!);
  await page.goto(`/horses/${horses.Tom}/tapes`);
  const clip = await makeClip(page, fromTheGate);
  await page.getByRole('link', { name: 'Open a film' }).click();
  await openClip(page, 'rail.webm', clip);
  await expect(clock(page)).toBeVisible();

  // Marks, each on its frame, by its key.
  const marks: [string, number][] = [
    ['s', truth.lineInS],
    ...[1, 2, 3].flatMap((barrel) =>
      [1, 2, 3].map((spot): [string, number] => [String(spot), truth.spotS(barrel, spot)]),
    ),
    ['e', truth.lineHomeS],
  ];
  for (const [key, seconds] of marks) {
    await show(page, frameOf(seconds));
    await page.keyboard.press(key);
  }
  for (const beat of truth.beatsS.slice(0, 12)) {
    await show(page, frameOf(beat));
    await page.keyboard.press('h');
  }
  const figures = page.getByRole('region', { name: 'What the marks say' });
  const time = truth.frameBegins(frameOf(truth.lineHomeS)) - frameBegins(frameOf(truth.lineInS));
  await expect(figures.getByText(`${time.toFixed(2)} s`, { exact: true })).toBeVisible();
  await expect(
    figures.getByText(/A stride takes 0\.40 s, 150 a minute, from 12 beats/),
  ).toBeVisible();

  // A frame back, a frame on.
  await show(page, 100);
  await page.keyboard.press(',');
  await expect(clock(page)).toHaveText('0:03.96');
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await expect(clock(page)).toHaveText('0:04.04');

  // The ground: three barrels and a post, then the feet round barrel 1.
  await page.getByRole('tab', { name: 'Ground' }).click();
  await page.getByRole('combobox', { name: 'Course' }).click();
  await page.getByRole('option', { name: 'Full course' }).click();
  const film = page.getByTestId('film-1');
  const known: [string, truth.Point][] = [
    ...truth.barrels.map((at, index): [string, truth.Point] => [`Barrel ${index + 1}`, at]),
    [truth.post.name, truth.post.at],
  ];
  for (const [name, at] of known) {
    await page.getByRole('button', { name, exact: true }).click();
    await tap(film, truth.seen(fromTheGate, at), fromTheGate);
    await expect(page.getByRole('button', { name: `✓ ${name}` })).toBeVisible();
  }
  await expect(page.getByText('Four points always fit.')).toBeVisible();
  let frame = frameOf(truth.spotS(1, 1)) - 3;
  await show(page, frame);
  await page.getByRole('button', { name: 'The horse’s feet' }).click();
  for (const last = frameOf(truth.spotS(1, 3)) + 3; frame <= last; frame += 3) {
    await expect(clock(page)).toHaveText(`0:${frameBegins(frame).toFixed(2).padStart(5, '0')}`);
    await tap(film, truth.seen(fromTheGate, truth.horseAt((frame + 0.5) * frameS)), fromTheGate);
  }
  await expect(page.getByTestId('filmed way')).toBeVisible();
  expect(await violations(page)).toEqual([]);

  // Kept as marks only, and found again without the film.
  await page.getByLabel('What it is called').fill('Second run');
  await page.getByRole('button', { name: 'Keep the marks' }).click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  const sheet = await kept(page, horses.Tom!);
  expect(sheet.films[0]!.frame_s).toBe(frameS);
  for (const [key, seconds] of marks.slice(1, 10)) {
    const found = sheet.marks.find(
      ({ at_s, mark }) =>
        mark.kind === 'spot' && String(mark.spot) === key && Math.abs(at_s - seconds) <= frameS,
    );
    expect(found, `${key} at ${seconds}`).toBeDefined();
  }
  const said = await page.request.post('/api/calc/tape', {
    data: { tape: sheet, barrels: truth.barrels },
  });
  const { on_ground } = (await said.json()) as { on_ground: { pockets_ft: number[][] } };
  // A pixel is worth less than half a foot there.
  for (const feet of on_ground.pockets_ft[0]!)
    expect(Math.abs(feet - truth.pocketFt)).toBeLessThan(0.8);

  // The run goes among the runs with its splits and pockets, marked as from tape.
  await page.getByRole('button', { name: 'Put it among the runs' }).click();
  await page.getByRole('link', { name: 'Tom’s runs' }).click();
  await expect(page.getByText(`${time.toFixed(3)}`).first()).toBeVisible();
  await page.goto(`/horses/${horses.Tom}/tapes`);
  await page.getByRole('link', { name: /Second run/ }).click();
  await expect(page.getByText(/Marked in rail\.webm/)).toBeVisible();
  await expect(figures.getByText(`${time.toFixed(2)} s`, { exact: true })).toBeVisible();
  await page.goto(`/horses/${horses.Tom}/tapes`);
  await page.getByRole('button', { name: 'Take out Second run' }).click();
  await expect(page.getByText('Nothing marked yet.')).toBeVisible();
});

test('two films are tied at a mark and go together', async ({ page }) => {
  const { horses } = await barn(page, 'tape-two');
  await page.goto(`/horses/${horses.Tom}/tapes`);
  const late = 30;
  const gate = await makeClip(
    page,
    { ...fromTheSide, ...{ at: fromTheGate.at, to: fromTheGate.to } },
    0,
    150,
  );
  const side = await makeClip(page, fromTheSide, late, 110);
  await page.getByRole('link', { name: 'Open a film' }).click();
  await openClip(page, 'gate.webm', gate);
  await expect(clock(page)).toBeVisible();
  await openClip(page, 'side.webm', side);
  await expect(clock(page, 2)).toBeVisible();
  // The same beat in both.
  await page.getByRole('button', { name: 'Move film 1' }).click();
  await show(page, 80, 1);
  await page.getByRole('button', { name: 'Move film 2' }).click();
  await show(page, 80 - late, 2);
  await page.getByRole('button', { name: 'Tie them here' }).click();
  await show(page, 100, 1);
  await expect(clock(page, 2)).toHaveText(`0:0${frameBegins(100 - late).toFixed(2)}`);
  await page.keyboard.press('.');
  await expect(clock(page, 1)).toHaveText('0:04.04');
  await expect(clock(page, 2)).toHaveText(`0:0${frameBegins(101 - late).toFixed(2)}`);
  // Slowly, both at once; the second ends first and holds nothing up.
  await page.getByRole('button', { name: 'Speed ½' }).click();
  await page.keyboard.press('p');
  await expect(page.getByRole('button', { name: 'Stop (P)' })).toBeVisible();
  await expect
    .poll(async () => Number((await clock(page, 1).innerText()).slice(2)))
    .toBeGreaterThan(4.6);
  await page.keyboard.press('p');
  const both = await Promise.all(
    [1, 2].map(async (film) => Number((await clock(page, film).innerText()).slice(2))),
  );
  expect(Math.abs(both[0]! - late * frameS - both[1]!)).toBeLessThanOrEqual(0.2);
  // What is no film says so.
  await page.getByRole('button', { name: 'Film 1 nearer' }).click();
  await expect(page.getByRole('button', { name: 'All' }).first()).toBeEnabled();
  expect(await violations(page)).toEqual([]);
});

test('a file that is no film says so', async ({ page }) => {
  const { horses } = await barn(page, 'tape-none');
  await page.goto(`/horses/${horses.Tom}/tapes/01890000-0000-7000-8000-000000000001`);
  await openClip(page, 'notes.webm', Buffer.from('not a film'));
  await expect(page.getByRole('alert')).toContainText('notes.webm: This browser cannot show it.');
});

test('a ride is logged from tape: a hold lasts as long as the film says, whatever the speed', async ({
  page,
}) => {
  const { horses, people } = await barn(page, 'tape-log');
  await page.goto(`/horses/${horses.Tom}/tapes`);
  const clip = await makeClip(page, fromTheSide, 0, 150);
  await page.getByRole('link', { name: 'Open a film' }).click();
  await openClip(page, 'helper.webm', clip);
  await expect(clock(page)).toBeVisible();
  await page.getByLabel('Filmed on').fill('2026-09-14');
  await page.getByRole('tab', { name: 'Asks' }).click();
  await page.getByRole('combobox', { name: 'Who rides' }).click();
  await page.getByRole('option', { name: 'Juna' }).click();
  await page.getByLabel('The film begins at').fill('09:30');
  await page.getByRole('button', { name: 'Log asks' }).click();
  await page.getByRole('button', { name: 'Pick what is asked' }).click();
  await page.getByLabel('A few letters of it').fill('flexes');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Flexes to a light rein/ })
    .first()
    .click();

  // Standing film: the key is held while the film is stepped, frame by frame.
  const { takenFrame, gaveFrame } = truth.ask;
  await show(page, takenFrame);
  await page.keyboard.down('f');
  for (let frame = takenFrame + 1; frame <= gaveFrame; frame += 1) {
    await page.keyboard.press('.');
    await expect(clock(page)).toHaveText(`0:0${frameBegins(frame).toFixed(2)}`);
  }
  await page.keyboard.up('f');
  const asks = page.getByRole('list', { name: 'Asks so far' });
  await expect(asks.getByRole('listitem')).toHaveCount(1);

  // Playing at a quarter: about two seconds of the clock are half a second of the film.
  await page.getByRole('button', { name: 'Speed ¼' }).click();
  await show(page, 20);
  await page.keyboard.press('p');
  const at = async () => Number((await clock(page).innerText()).slice(2));
  await expect.poll(at).toBeGreaterThan(0.9);
  const before = await at();
  await page.keyboard.down('j');
  await expect.poll(at).toBeGreaterThan(1.4);
  await page.keyboard.up('j');
  const later = await at();
  await page.keyboard.press('p');
  await expect(asks.getByRole('listitem')).toHaveCount(2);
  expect(await violations(page)).toEqual([]);

  await page.getByRole('link', { name: 'See the ride' }).click();
  await expect(page.getByText(/Juna, from tape/)).toBeVisible();
  const ride = page.url().split('/').at(-1)!;
  const sent = (await (await page.request.get(`/api/rides/${ride}`)).json()) as {
    from_tape: boolean;
    started_at: string;
    timeline: {
      side: string;
      asked_after_ms: number;
      measure: { time_s: number };
      recorded_by: string;
    }[];
  };
  expect(people.Juna).toBeDefined();
  expect(sent).toMatchObject({ from_tape: true, started_at: '2026-09-14T15:30:00Z' });
  const left = sent.timeline.find(({ side }) => side === 'left')!;
  // To the frame, exactly.
  expect(left).toMatchObject({
    asked_after_ms: takenFrame * 40,
    recorded_by: 'Dell',
    measure: { time_s: Number(((gaveFrame - takenFrame) * frameS).toFixed(2)) },
  });
  // Kept, and gone on with on another device: the same ride, one ask more.
  await page.goBack();
  await openClip(page, 'helper.webm', clip);
  await page.getByLabel('What it is called').fill('From the helper');
  await page.getByRole('button', { name: 'Keep the marks' }).click();
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  const tape = page.url();
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) indexedDB.deleteDatabase(name!);
  });
  await page.goto('about:blank');
  await page.goto(tape);
  await openClip(page, 'helper.webm', clip);
  await page.getByRole('tab', { name: 'Asks' }).click();
  await expect(page.getByText('2 asks were logged from this film')).toBeVisible();
  await page.getByRole('button', { name: 'Go on with them' }).click();
  await page.getByRole('button', { name: 'Pick what is asked' }).click();
  await page.getByLabel('A few letters of it').fill('flexes');
  const flexes = page.getByRole('dialog').getByRole('button', { name: /Flexes to a light rein/ });
  await flexes.first().click();
  await page.keyboard.down('f');
  for (let step = 0; step < 10; step += 1) await page.keyboard.press('.');
  await expect(clock(page)).toHaveText('0:00.40');
  await page.keyboard.up('f');
  const asked = async () => {
    const answer = await page.request.get(`/api/rides/${ride}`);
    const { timeline, rider } = (await answer.json()) as { timeline: unknown[]; rider: string };
    return `${timeline.length} of ${rider}`;
  };
  await expect.poll(asked).toBe('3 of Juna');
  const right = sent.timeline.find(({ side }) => side === 'right')!;
  // Between what was read before it and after it, give or take what was read late.
  expect(right.measure.time_s).toBeGreaterThan(0.3);
  expect(right.measure.time_s).toBeLessThan(later - before + 0.2);
});
