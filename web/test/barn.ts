import { vi } from 'vitest';

/** One ask, and the barn's server, for tests of what is kept and sent. */

export const flex = { skill: 'bend.flex', rung: 'stand' };

export const ask = {
  side: 'left' as const,
  askedAt: new Date('2026-05-04T14:00:00Z'),
  measure: {
    kind: 'give' as const,
    hand: 'fingertip' as const,
    time_s: 1.2,
    answer: 'gave' as const,
  },
};

export interface Sent {
  rides: { ride_id: string }[];
  reps: { rep_id: string; undone: boolean }[];
}

/** The server for one test; `reply` sees what was sent. */
export function server(reply: (sent: Sent) => Promise<Response> | Response) {
  vi.stubGlobal('fetch', async (request: Request) => reply((await request.json()) as Sent));
}

export const taken = (sent: Sent) =>
  Response.json({
    rides: sent.rides.length,
    reps: sent.reps.length,
    soft: sent.reps.map(() => true),
  });

export const problem = (
  status: number,
  detail: string,
  errors: { field: string; says: string }[] = [],
) => Response.json({ status, detail, errors }, { status });
