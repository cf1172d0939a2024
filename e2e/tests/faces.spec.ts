import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { faceOf, type Asked, type Set } from '../../web/src/ride/recorder/faces';
import type { Schemas } from '../../web/src/base/api/client';
import { expectAllSent, hold, horse, signIn, violations } from './barn';

/** Every measure of the ladder is recorded from the saddle: by touch, and by key on the rail. */

type Measure = Schemas['Measure'];

interface Strips {
  strips: { reps: { side: string; measure: Measure; soft: boolean }[] }[];
}

async function lastRep(page: Page, horseId: string, level: string) {
  const answer = await page.request.get(`/api/horses/${horseId}/levels/${level}/strips`);
  const { strips } = (await answer.json()) as Strips;
  return strips.at(-1)?.reps.at(-1);
}

async function open(page: Page, horseId: string, level: string) {
  await page.goto(`/horses/${horseId}/ride/${level}`);
  await expect(page.getByRole('button', { name: 'Finish' })).toBeEnabled();
  await expect(page.getByTestId(/^half-/).first()).toBeVisible();
}

const ladderOf = async (page: Page) =>
  (await (await page.request.get('/api/ladder')).json()) as Schemas['ShownLadder'];

test('every answer of every face is one that Cavesson takes; the commonest is soft', async ({
  page,
}) => {
  await signIn(page, 'tobin@saltgrass');
  const ladder = await ladderOf(page);
  const said = new Set<string>();
  let [tried, taps] = [0, 0];
  for (const { level, gate } of ladder.levels) {
    const face = faceOf(level);
    const set: Set = Object.fromEntries(face.settings(level).map(({ id, usual }) => [id, usual]));
    const answers =
      face.how === 'tap'
        ? face.choices(set).map(({ measure }) => measure)
        : face.how === 'hold'
          ? ['gave', ...face.zones.map(({ id }) => id)].map((id) => face.measure(id, 0.8, set))
          : [];
    for (const [index, measure] of answers.entries()) {
      const input = { measure, gait: level.gait, rule: gate.soft };
      const key = JSON.stringify(input);
      if (said.has(key)) continue;
      said.add(key);
      const answer = await page.request.post('/api/calc/soft', { data: input });
      expect(answer.status(), key).toBe(200);
      const { soft } = (await answer.json()) as { soft: boolean };
      if (index === 0) expect(soft, `${level.name}: ${key}`).toBe(true);
      if (face.how === 'hold' && index > 0) expect(soft, `${level.name}: ${key}`).toBe(false);
      tried += 1;
    }
    taps += face.how === 'tap' ? 1 : 0;
  }
  expect(tried).toBeGreaterThan(60);
  expect(taps).toBeGreaterThan(30);
});

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('each measure takes one touch, or two', async ({ page }) => {
    await signIn(page, 'tobin@saltgrass');
    const { horse_id } = await horse(page, 'Pocketwatch');
    const tap = (half: string, name: string | RegExp) =>
      page.getByTestId(`half-${half}`).getByRole('button', { name }).tap();
    const press = (name: string | RegExp) => page.getByRole('button', { name }).tap();
    const recorded = async (level: string, side: string, measure: Partial<Measure>) => {
      await expectAllSent(page);
      await expect.poll(() => lastRep(page, horse_id, level)).toMatchObject({ side, measure });
    };

    await open(page, horse_id, 'frame.poll/stand');
    await hold(page, 'both', 400);
    await recorded('frame.poll/stand', 'both', { kind: 'give', answer: 'gave' });

    await open(page, horse_id, 'bend.hip/walk');
    await press('Steps asked: more');
    await tap('right', 'All 2 clean');
    await recorded('bend.hip/walk', 'right', { kind: 'steps', asked: 2, clean: 2 });

    await open(page, horse_id, 'bend.forward-circle/walk');
    await tap('left', 'Nose up');
    await tap('left', 'Fell in');
    // A reload in the middle of a circle loses nothing.
    await page.reload();
    await tap('left', /^Circle done ?1 nose-up$/);
    const circle = { kind: 'circle', nose_ups: 1, soft_circles: 0, fell_in: true } as const;
    await recorded('bend.forward-circle/walk', 'left', circle);

    await open(page, horse_id, 'stop.seat/jog');
    await press('Last cue it took: more');
    await hold(page, 'both', 300, 'leaned');
    const stop = { kind: 'stop', cue: 'voice', strides: 1, off_bridle_s: null } as const;
    await recorded('stop.seat/jog', 'both', stop);

    await open(page, horse_id, 'turn.rollback-wall/walk');
    await tap('left', 'Left stiff');
    const roll = { kind: 'roll', against: 'fence', exit: 'stiff' } as const;
    await recorded('turn.rollback-wall/walk', 'left', roll);

    await open(page, horse_id, 'lead.depart/left');
    await tap('both', 'Left early');
    await recorded('lead.depart/left', 'both', { kind: 'depart', waited: false });

    await open(page, horse_id, 'lead.change/left_to_right');
    await tap('both', 'Hind end first');
    await recorded('lead.change/left_to_right', 'both', { kind: 'change', ends: 'hind_first' });

    await open(page, horse_id, 'frame.topline/walk');
    await press('Time asked: less');
    await tap('both', 'Start');
    await press(/^Left it/);
    // It ends by itself when the time is carried, also over a reload.
    await page.reload();
    await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeVisible();
    const carry = { kind: 'carry', asked: 5, carried: 5, leaves: 1 } as const;
    await recorded('frame.topline/walk', 'both', carry);

    await open(page, horse_id, 'trail.bridge/once');
    await press('Tries: more');
    await tap('both', 'Crossed, tense');
    const obstacle = { kind: 'obstacle', tries: 2, crossed: true, relaxed: false } as const;
    await recorded('trail.bridge/once', 'both', obstacle);

    await open(page, horse_id, 'cow.turn/quick');
    await tap('right', 'Shoulder leaked');
    const turn = { kind: 'turn', tempo: 'quick', shoulders: 'leaked' } as const;
    await recorded('cow.turn/quick', 'right', turn);

    await open(page, horse_id, 'barrel.pattern/walk');
    const second = page.getByRole('group', { name: 'Barrel 2', exact: true });
    const back = second.getByRole('group', { name: 'Barrel 2, back' });
    await back.getByRole('button', { name: 'Tighter' }).tap();
    await second.getByRole('button', { name: 'Tipped' }).tap();
    await press('Save the run');
    await expectAllSent(page);
    await expect
      .poll(async () => {
        const measure = (await lastRep(page, horse_id, 'barrel.pattern/walk'))?.measure;
        return measure?.kind === 'run' && measure.barrels.map((b) => [b.pocket_ft[1], b.tipped]);
      })
      .toEqual([
        [4, false],
        [3, true],
        [4, false],
      ]);

    await open(page, horse_id, 'miles.tied/once');
    await press('Sighs');
    await tap('both', 'Relaxed through');
    const calm = { kind: 'calm', relaxed: true, signs: ['sighs'] } satisfies Partial<Measure>;
    await recorded('miles.tied/once', 'both', calm);

    await open(page, horse_id, 'start.mount/stand');
    await tap('both', '5 times');
    await recorded('start.mount/stand', 'both', { kind: 'count', count: 5 });

    // All of it is one ride, and each part is one touch away.
    await press('Ask something else');
    await page.getByLabel('A few letters of it').fill('hip walk');
    await press(/off one leg.*at the walk/);
    await expect(page.getByTestId('half-right')).toContainText('1 asked');
    const parts = page.getByRole('navigation', { name: 'Parts of the ride' }).getByRole('link');
    const asked = parts.filter({ hasText: /[1-9]\d* (asked|of)/ });
    await expect.poll(() => asked.count()).toBeGreaterThanOrEqual(13);
    await press('Finish');
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  });
});

for (const light of ['evening', 'sun']) {
  test(`axe finds nothing on any face in the ${light} light`, async ({ page }) => {
    await page.addInitScript((chosen) => localStorage.setItem('cavesson.light', chosen), light);
    await signIn(page, 'tobin@saltgrass');
    const { horse_id } = await horse(page, 'Pocketwatch');
    const { levels } = await ladderOf(page);
    const kinds = new Map(levels.map(({ level }) => [`${level.measure} ${level.sides}`, level]));
    expect(kinds.size).toBeGreaterThanOrEqual(13);
    for (const [kind, { skill, rung }] of kinds) {
      await open(page, horse_id, `${skill}/${rung}`);
      expect(await violations(page), kind).toEqual([]);
      const enhanced = new AxeBuilder({ page }).withRules(['color-contrast-enhanced']);
      expect((await enhanced.analyze()).violations, kind).toEqual([]);
    }
  });
}

test('faces answer to keys, for a helper on the rail', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Pocketwatch');
  await open(page, horse_id, 'turn.rollback-open/jog');
  await page.keyboard.press('q');
  await expect(page.getByTestId('half-right')).toContainText('1 asked');
  await page.keyboard.press('3');
  await expect(page.getByTestId('half-left')).toContainText('1 asked');
  await expectAllSent(page);
  await expect
    .poll(() => lastRep(page, horse_id, 'turn.rollback-open/jog'))
    .toMatchObject({
      side: 'left',
      measure: { kind: 'roll', against: 'open', fell_forward: true },
    });
  await page.keyboard.press('u');
  await expect(page.getByTestId('half-left')).toContainText('not asked yet');

  await open(page, horse_id, 'bend.follow-nose/walk');
  await page.keyboard.press('2');
  await page.keyboard.press('1');
  await expect(page.getByTestId('half-left')).toContainText('1 asked');
  await expectAllSent(page);
  await expect
    .poll(() => lastRep(page, horse_id, 'bend.follow-nose/walk'))
    .toMatchObject({ side: 'left', measure: { kind: 'circle', nose_ups: 1 } });

  await open(page, horse_id, 'frame.loose/walk');
  await page.keyboard.press('b');
  await page.keyboard.press('l');
  await page.keyboard.press('e');
  await expectAllSent(page);
  await expect
    .poll(() => lastRep(page, horse_id, 'frame.loose/walk'))
    .toMatchObject({ side: 'both', measure: { kind: 'carry', asked: 10, leaves: 1 } });

  await open(page, horse_id, 'stop.rock-back/walk');
  await page.keyboard.down('b');
  await page.waitForTimeout(300);
  await page.keyboard.up('b');
  await expect(page.getByTestId('half-both')).toContainText('1 asked');
  await page.getByRole('button', { name: /^Last: .*Change/ }).click();
  await page.getByRole('button', { name: 'Feet crept' }).click();
  await expect(page.getByRole('button', { name: /^Last: .*feet crept/ })).toBeVisible();
  await expectAllSent(page);
});

/** As if the page had been closed for so long while something ran in its face. */
const away = (page: Page, ms: number) =>
  page.evaluate((back) => {
    for (const [key, kept] of Object.entries(localStorage)) {
      if (!key.startsWith('cavesson.running.')) continue;
      const earlier = (name: string, value: unknown) =>
        ['at', 'startedAt', 'seenAt', 'since'].includes(name) && typeof value === 'number'
          ? value - back
          : value;
      localStorage.setItem(key, JSON.stringify(JSON.parse(kept as string, earlier)));
    }
  }, ms);

test('what ran while its page was closed is asked about, or is over', async ({ page }) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Pocketwatch');
  await open(page, horse_id, 'frame.straight/walk');
  await page.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByRole('timer')).toBeVisible();
  await page.goto('/');
  await away(page, 120_000);
  await page.goto(`/horses/${horse_id}/ride/frame.straight/walk`);
  const asked = page.getByRole('alertdialog', { name: 'The clock ran on' });
  await asked.getByRole('button', { name: 'Not an ask' }).click();
  await expect(page.getByText('not asked yet')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start', exact: true })).toBeVisible();

  // Nose-ups of a circle that was never finished belong to that day.
  await open(page, horse_id, 'lead.circles/two_hands');
  await page.getByTestId('half-left').getByRole('button', { name: 'Nose up' }).click();
  await page.goto('/');
  await away(page, 3_600_000);
  await open(page, horse_id, 'lead.circles/two_hands');
  await expect(page.getByTestId('half-left')).toContainText('no nose-up');

  // The minutes of being calm go on, and can begin anew.
  await open(page, horse_id, 'miles.company/once');
  await page.goto('/');
  await away(page, 1_800_000);
  await open(page, horse_id, 'miles.company/once');
  await expect(page.getByRole('timer')).toContainText(/^30\.\d min so far/);
  await page.getByRole('button', { name: 'From now' }).click();
  await expect(page.getByRole('timer')).toContainText('0.0 min so far');
});

test('a good place to quit is said once, by the core in the page', async ({ page, context }) => {
  await signIn(page, 'tobin@saltgrass');
  const { horse_id } = await horse(page, 'Pocketwatch');
  await open(page, horse_id, 'trail.sidepass/walk');
  await page.evaluate(() => navigator.serviceWorker.ready);
  await context.setOffline(true);
  const said = page.getByRole('status').filter({ hasText: 'Good place to quit' });
  const tap = (side: string, name: string) =>
    page.getByTestId(`half-${side}`).getByRole('button', { name, exact: true }).click();
  await tap('left', 'Not clean');
  await expect(said).toHaveCount(0);
  await tap('right', 'Clean');
  await expect(said).toHaveText('Good place to quit: the first good try of something new.');
  await tap('left', 'Clean');
  await expect(said).toHaveCount(0);
  await tap('right', 'Clean');
  await expect(said).toHaveText('Good place to quit: three soft in a row.');
  await tap('left', 'Clean');
  await expect(said).toHaveCount(0);
  await context.setOffline(false);
  await expectAllSent(page);
});
