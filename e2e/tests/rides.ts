import { expect, type Page } from '@playwright/test';

/** Rides put in through the API, as a device would send them. */

interface Ride {
  horse_id: string;
  skill: string;
  rung: string;
  /** So many days before now. */
  daysAgo: number;
  /** Seconds to give, left and right in turn. */
  seconds: number[];
  note?: string;
}

const dayMs = 24 * 3600 * 1000;

export async function ridden(page: Page, { horse_id, skill, rung, daysAgo, seconds, note }: Ride) {
  const session = await page.request.get('/api/session');
  const { person_id } = (await session.json()) as { person_id: string };
  const began = Date.now() - daysAgo * dayMs - 3600 * 1000;
  const [ride_id, block_id] = [crypto.randomUUID(), crypto.randomUUID()];
  const level = { skill, rung };
  const sent = await page.request.post('/api/batches', {
    data: {
      person_id,
      sent_at: new Date().toISOString(),
      rides: [
        {
          ride_id,
          horse_id,
          started_at: new Date(began).toISOString(),
          finished_after_ms: 30 * 60 * 1000,
          blocks: [{ block_id, position: 0, ...level }],
          ...(note && { note }),
        },
      ],
      reps: seconds.map((time_s, at) => ({
        rep_id: crypto.randomUUID(),
        ride_id,
        block_id,
        ...level,
        side: at % 2 === 0 ? 'left' : 'right',
        sequence: at,
        asked_after_ms: 20_000 * at,
        asked_at: new Date(began + 20_000 * at).toISOString(),
        measure: { kind: 'give', hand: 'fingertip', time_s, answer: 'gave' },
      })),
    },
  });
  expect(sent.ok(), await sent.text()).toBe(true);
  return ride_id;
}
