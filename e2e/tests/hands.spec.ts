import { expect, test, type Page } from '@playwright/test';
import { expectAsked, hold, horse, openRecorder, signIn, storedReps, violations } from './barn';

/** Hands on the reins: a taught remote, spoken words, the tablet turned round on the rail. */

/** A press of the remote, as its keys come: down, and up after so long. */
async function press(page: Page, key: string, ms: number) {
  await page.keyboard.down(key);
  await page.waitForTimeout(ms);
  await page.keyboard.up(key);
}

/** Between two short presses that belong together. */
const together = (page: Page) => page.waitForTimeout(40);

async function teach(page: Page, keys: string[]) {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Teach a clicker' }).click();
  await press(page, keys[0] ?? '', 1_000);
  if (keys[1]) {
    await page.getByRole('button', { name: 'Teach a second button' }).click();
    await press(page, keys[0] ?? '', 900);
    await expect(page.getByRole('alert')).toContainText('is the first button already');
    await press(page, keys[1], 1_000);
  }
}

test('a clicker of two buttons is taught, and records asks by hold and by presses', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  await teach(page, ['PageUp', 'PageDown']);
  await expect(page.getByRole('main')).toContainText('Left: Page up. Right: Page down.');
  await expect(page.getByRole('table', { name: 'What a press says' })).toContainText('Nose up');
  expect(await violations(page)).toEqual([]);
  await openRecorder(page, 'Marlow Fen');
  await press(page, 'PageUp', 900);
  await expectAsked(page, 'left', 1);
  await press(page, 'PageDown', 700);
  await expectAsked(page, 'right', 1);
  // One short press: it did not give. Two: late.
  await press(page, 'PageUp', 100);
  await expectAsked(page, 'left', 2);
  await press(page, 'PageDown', 100);
  await together(page);
  await press(page, 'PageDown', 100);
  await expectAsked(page, 'right', 2);
  await expect
    .poll(async () =>
      (await storedReps(page, 'Marlow Fen')).map(({ side, measure }) => [side, measure.answer]),
    )
    .toEqual([
      ['left', 'gave'],
      ['right', 'gave'],
      ['left', 'did_not_give'],
      ['right', 'late'],
    ]);
  const held = (await storedReps(page, 'Marlow Fen'))[0]?.measure.time_s ?? 0;
  expect(held).toBeGreaterThan(0.85);
  expect(held).toBeLessThan(1.6);
  // Three: undo.
  for (let count = 0; count < 3; count += 1) {
    await press(page, 'PageUp', 80);
    await together(page);
  }
  await expectAsked(page, 'right', 1);
  await expectAsked(page, 'left', 2);
  await expect(page.getByText(/^Taken back/)).toBeVisible();
  // A key-up that never comes is asked about when the button goes down again.
  await page.keyboard.down('PageDown');
  await page.waitForTimeout(600);
  const remote = await page.context().newCDPSession(page);
  const again = { key: 'PageDown', code: 'PageDown', windowsVirtualKeyCode: 34 };
  await remote.send('Input.dispatchKeyEvent', { type: 'rawKeyDown', ...again });
  await remote.send('Input.dispatchKeyEvent', { type: 'keyUp', ...again });
  await expect(page.getByRole('button', { name: 'Finish' })).toBeDisabled();
});

test('a clicker of one button takes turns, types on a tapped face, and its asks are spoken', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    speechSynthesis.speak = (words) => void said.push(words.text);
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  await signIn(page, 'tobin@saltgrass');
  await teach(page, ['Enter']);
  await expect(page.getByRole('main')).toContainText('One button: Enter.');
  await page.getByRole('switch', { name: 'Say it aloud' }).click();
  await expect.poll(said).toEqual(['Left, soft, 3 of 4']);
  await openRecorder(page, 'Kettle');
  await expect(page.getByText('Clicker: left next.')).toBeVisible();
  await press(page, 'Enter', 600);
  await expectAsked(page, 'left', 1);
  await expect.poll(said).toEqual(['left, soft, 1 of 1, next right']);
  await press(page, 'Enter', 600);
  await expectAsked(page, 'right', 1);
  await expect.poll(async () => (await said()).at(-1)).toContain('right, soft, 1 of 1, next left');
  const { horse_id } = await horse(page, 'Kettle');
  await page.goto(`/horses/${horse_id}/ride/bend.hip/stand`);
  // The face of the level stands there, and its answers can be said.
  await expect(page.getByRole('button', { name: 'Clean', exact: true }).first()).toBeEnabled();
  await expectAsked(page, 'left', 0);
  await press(page, 'Enter', 100);
  await expectAsked(page, 'left', 1);
  await press(page, 'Enter', 100);
  await together(page);
  await press(page, 'Enter', 100);
  await expectAsked(page, 'right', 1);
  await expect(page.getByText(/Last: right/)).toContainText('0 of 1 step clean');
});

test('the recorder is turned round for a helper across the rail, and a thumb still finds its half', async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await signIn(page, 'pia@saltgrass');
  await openRecorder(page, 'Quill');
  await page.getByRole('button', { name: 'How to record' }).click();
  await page.getByRole('switch', { name: /Turned round/ }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  const [left, finish] = [
    await page.getByTestId('half-left').boundingBox(),
    await page.getByRole('button', { name: 'Finish' }).boundingBox(),
  ];
  expect(left?.x).toBeGreaterThan(400);
  expect(finish?.y).toBeLessThan(100);
  await page.mouse.move((left?.x ?? 0) + 100, (left?.y ?? 0) + 100);
  await page.mouse.down();
  await page.waitForTimeout(400);
  await page.mouse.up();
  await expectAsked(page, 'left', 1);
  // It is the recorder that is turned, not the rest.
  await page.getByRole('link', { name: 'Back to Today; the ride stays open' }).click();
  await expect(page.getByRole('heading', { level: 1, name: /day, / })).toBeVisible();
  const heading = await page.getByRole('heading', { level: 1 }).boundingBox();
  expect(heading?.y).toBeLessThan(400);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a horse that stands tied is asked in two touches from Today, and no ride stays open', async ({
    page,
  }) => {
    await signIn(page, 'tobin@saltgrass');
    const { horse_id } = await horse(page, 'Kettle');
    const asked = async () => {
      const path = `/api/horses/${horse_id}/levels/start.bend-ground/stand/strips`;
      const { strips } = (await (await page.request.get(path)).json()) as {
        strips: { ride_id: string; reps: { side: string }[] }[];
      };
      return strips.at(-1)?.reps.map(({ side }) => side) ?? [];
    };
    await page.getByRole('button', { name: 'Bends while tied: Kettle' }).tap();
    await expect(page.getByRole('dialog')).toBeVisible();
    await hold(page, 'left', 350);
    await expectAsked(page, 'left', 1);
    await hold(page, 'right', 350);
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Done' }).tap();
    await expect.poll(asked).toEqual(['left', 'right']);
    await expect(page.getByRole('region', { name: 'Riding now' })).toHaveCount(0);
  });
});
