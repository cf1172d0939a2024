import type { Schemas } from '../base/api/client';

export type TimedRun = Schemas['TimedRun'];

const minuteMs = 60_000;
/** A run is said soon after it. */
const freshMs = 60 * minuteMs;
const most = 4;

/** The last times that no run has, and how long ago they were at `now`. */
export function freshTimes(
  all: TimedRun[],
  now: number,
  own: string | undefined,
): (TimedRun & { ago: string })[] {
  return all
    .map((one) => ({ ...one, agoMs: now - Date.parse(one.at) }))
    .filter(({ timed_id, taken, agoMs }) => timed_id === own || (!taken && agoMs < freshMs))
    .slice(0, most)
    .map(({ agoMs, ...one }) => ({ ...one, ago: inMinutes(agoMs) }));
}

function inMinutes(ms: number): string {
  const minutes = Math.round(ms / minuteMs);
  return minutes < 1 ? 'just now' : `${minutes} min ago`;
}
