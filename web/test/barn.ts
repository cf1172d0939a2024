import { v7 as uuidv7 } from 'uuid';
import { vi } from 'vitest';
import type { KeptDatabase } from '../src/outbox/db';
import { keepRep, type RecordedAsk } from '../src/outbox/keep';

/** One ask, and the barn's server, for tests of what is kept and sent. */

export const flex = { skill: 'bend.flex', rung: 'stand' };
export const ribs = { skill: 'bend.ribs', rung: 'walk' };

export const oatcake = { horseId: 'oatcake', horseName: 'Oatcake', day: '2026-05-04' };
export const kettle = { horseId: 'kettle', horseName: 'Kettle', day: '2026-05-04' };

/** An ask that begins now, under an id of its own. */
export const ask = (change: Partial<RecordedAsk> = {}): RecordedAsk => ({
  repId: uuidv7(),
  level: flex,
  side: 'left',
  askedAt: new Date(),
  agoMs: 0,
  measure: { kind: 'give', hand: 'fingertip', time_s: 1.2, answer: 'gave' },
  ...change,
});

/** Asks of Oatcake, one after the other. */
export async function asks(db: KeptDatabase, count: number) {
  for (let done = 0; done < count; done += 1) await keepRep(db, oatcake, ask());
}

export interface Sent {
  person_id: string;
  sent_at: string;
  rides: { ride_id: string; horse_id: string; blocks: { block_id: string; skill: string }[] }[];
  reps: { rep_id: string; ride_id: string; block_id: string; undone: boolean; skill: string }[];
}

/** The server for one test; `reply` sees what was sent. Its health is good. */
export function server(reply: (sent: Sent, request: Request) => Promise<Response> | Response) {
  vi.stubGlobal('fetch', async (request: Request) =>
    request.url.endsWith('/api/health')
      ? Response.json({ version: '1' })
      : reply((await request.json()) as Sent, request),
  );
}

export const taken = (sent: Sent) =>
  Response.json({
    rides: sent.rides.length,
    reps: sent.reps.length,
    soft: sent.reps.map(() => true),
    clock_shifted_s: 0,
  });

export const problem = (
  status: number,
  detail: string,
  errors: { field: string; detail: string }[] = [],
  type = 'about:blank',
) => Response.json({ type, status, detail, errors }, { status });
