import type { Schemas } from '../../base/api/client';

/** Where the flag is, while a page follows it; asked for at the touch of a turn. */

interface Seen {
  at_ft: number;
  speed_ft_s: number;
  /** When it said so, by the page's clock. */
  heardAt: number;
}

/** What was heard longer ago than this says nothing of where it is now. */
const mostAgoMs = 1_000;

let last: Seen | null = null;

/** The flag said where it is. */
export function flagHeard(at_ft: number, speed_ft_s: number): void {
  last = { at_ft, speed_ft_s, heardAt: performance.now() };
}

/** Where it is now, carried on from its last word; none where it is not followed. */
export function flagNow(): Schemas['FlagSeen'] | null {
  if (!last) return null;
  const agoMs = performance.now() - last.heardAt;
  if (agoMs > mostAgoMs) return null;
  const at = last.at_ft + (last.speed_ft_s * agoMs) / 1_000;
  return { at_ft: Math.min(200, Math.max(0, at)), speed_ft_s: last.speed_ft_s };
}

/** A turn with the place of the flag, where it is followed. */
export function atFlag<M extends { kind: string }>(measure: M): M {
  const flag = measure.kind === 'turn' ? flagNow() : null;
  return flag ? { ...measure, flag } : measure;
}
