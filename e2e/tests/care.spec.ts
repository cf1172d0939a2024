import { expect, test } from '@playwright/test';
import { violations } from './barn';
import { barn } from './new-barn';

/** Care, cooling out, heat, busy times: what only a browser can show. */

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a horse is cooled out: the clock goes on over a reload and without signal', async ({
    page,
    context,
  }) => {
    await page.clock.install();
    const of = await barn(page, 'cooling');
    const path = `/horses/${of.horses.Sable}/cool-out`;
    await page.goto(path);
    await page.getByRole('button', { name: 'Work is over' }).tap();
    const clock = page.getByRole('timer');
    const take = async (pulse: string, breaths: string) => {
      await page.getByLabel('Pulse, a minute').fill(pulse);
      await page.getByLabel('Breathing, a minute').fill(breaths);
      await page.getByRole('button', { name: /Keep at/ }).tap();
    };
    await take('132', '72');
    await expect(page.getByText('Next at 10 minutes')).toBeVisible();
    await page.clock.fastForward('10:30');
    await expect(clock).toHaveText(/^10:/);
    await expect(page.getByText('Take it now (10 minutes)')).toBeVisible();
    await page.reload();
    await expect(clock).toHaveText(/^10:/);
    // Five taps, half a second apart.
    const tap = page.getByRole('button', { name: 'Tap each heartbeat' });
    const beats = page.getByRole('button', { name: /heartbeat|taps/ }).first();
    await tap.dispatchEvent('pointerdown');
    for (let beat = 0; beat < 5; beat += 1) await beats.dispatchEvent('pointerdown');
    await expect(page.getByLabel('Pulse, a minute')).not.toHaveValue('');
    await context.setOffline(true);
    await take('88', '48');
    await page.clock.fastForward('10:00');
    await take('72', '30');
    await expect(page.getByText('call the vet')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await context.setOffline(false);
    const sent = async () => {
      const answer = await page.request.get(`/api/horses/${of.horses.Sable}/cool-outs`);
      const [sheet] = (await answer.json()) as { readings: { minute: number; pulse: number }[] }[];
      return sheet?.readings.map(({ minute, pulse }) => [minute, pulse]);
    };
    await page.clock.runFor(40_000);
    await expect.poll(sent).toEqual([
      [0, 132],
      [10, 88],
      [20, 72],
    ]);
  });
});

test('care that is overdue stands on Today, is booked and done with a tap each', async ({
  page,
}) => {
  const of = await barn(page, 'care-due');
  const earlier = (days: number) => {
    const at = new Date(`${of.day}T12:00:00Z`);
    return new Date(at.getTime() - days * 86_400_000).toISOString().slice(0, 10);
  };
  for (const [horse, kind, ago] of [
    ['Tom', 'feet', 50],
    ['Jerry', 'teeth', 360],
  ] as const) {
    const data = { care_id: crypto.randomUUID(), kind, day: earlier(ago) };
    const answer = await page.request.post(`/api/horses/${of.horses[horse]}/care`, { data });
    expect(answer.ok(), await answer.text()).toBe(true);
  }
  await page.goto('/');
  const due = page.getByRole('region', { name: 'Care due' });
  await expect(due.getByRole('listitem')).toHaveCount(2);
  await expect(due.getByRole('listitem').first()).toContainText('Tom: feet overdue since');
  await due.getByRole('link', { name: 'Book: Jerry, Teeth' }).click();
  await expect(page.getByLabel('What')).toHaveText('Dentist');
  await expect(page.getByLabel('Horse')).toHaveText('Jerry');
  await page.getByRole('button', { name: 'Book', exact: true }).click();
  await expect(page.getByRole('button', { name: /Jerry/ }).first()).toBeVisible();
  await page.goto('/');
  await due.getByRole('button', { name: 'Done today: Tom, Feet' }).click();
  await expect(due.getByRole('listitem')).toHaveCount(1);
  // Tom needs it every four weeks.
  await page.goto(`/horses/${of.horses.Tom}#care`);
  await page.getByRole('button', { name: 'How often: Feet' }).click();
  await page.getByLabel('Days after the last time').fill('9');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  // Leaving the page takes back what is still being sent.
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toHaveCount(0);
  await page.goto('/');
  await expect(due.getByRole('listitem').filter({ hasText: 'Tom' })).toContainText('feet due');
});

test('heat and busy times come in from files, and the day knows them', async ({ page }) => {
  const of = await barn(page, 'heat');
  await page.goto('/day');
  await page.getByRole('button', { name: 'Weather' }).click();
  const file = page.getByRole('form', { name: 'Weather from a file' });
  await file.getByLabel('Rows or calendar').fill('time,temperature_f,humidity_pct\nnoon,80,40');
  await file.getByRole('button', { name: 'Read it' }).click();
  await expect(file.getByText(/Line 2: time must be like/)).toBeVisible();
  await file
    .getByLabel('Rows or calendar')
    .fill(`time,temperature_f,humidity_pct\n${of.day}T09:00,88,70\n${of.day}T10:00,112,75\n`);
  await file.getByRole('button', { name: 'Read it' }).click();
  await expect(file.getByRole('status')).toContainText('2 hours read');
  await file.getByRole('button', { name: 'Done' }).click();
  const heat = page.getByRole('list', { name: 'Heat by the hour' });
  await expect(heat.getByRole('listitem')).toHaveText([
    /88 °F, 70%\s*short and slow/,
    /112 °F, 75%\s*no riding/,
  ]);
  await page.goto('/calendars');
  const stamp = of.day.replaceAll('-', '');
  await page.getByLabel('Calendar file').setInputFiles({
    name: 'own.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(
      [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'BEGIN:VEVENT',
        'UID:1',
        `DTSTART;TZID=America/Denver:${stamp}T130000`,
        `DTEND;TZID=America/Denver:${stamp}T150000`,
        'RRULE:FREQ=DAILY;COUNT=2',
        'END:VEVENT',
        'END:VCALENDAR',
        '',
      ].join('\r\n'),
    ),
  });
  await expect(page.getByRole('status')).toContainText('busy time');
  await page.goto('/day');
  await expect(page.getByRole('list', { name: 'Dell' }).getByText('busy')).toBeVisible();
  expect(await violations(page)).toEqual([]);
  await page.goto('/calendars');
  const takeOut = page.getByRole('button', { name: 'Take out Own calendar of Dell' });
  await takeOut.click();
  // Leaving the page takes back what is still being sent.
  await expect(takeOut).toHaveCount(0);
  await page.goto('/day');
  await expect(page.getByRole('list', { name: 'Dell' })).toBeVisible();
  await expect(page.getByRole('list', { name: 'Dell' }).getByText('busy')).toHaveCount(0);
});
