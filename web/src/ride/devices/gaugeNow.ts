import type { Schemas } from '../../base/api/client';
import type { Measure } from '../../base/words/measures';

/** The rein gauge, while a page listens to it; asked at the end of a hold. */

export interface Held {
  side: Schemas['Side'];
  /** By the page's clock, in milliseconds. */
  pressedAt: number;
  releasedAt: number;
}

export interface Pulled {
  time_to_give_s: number;
  hand: Schemas['HandWeight'];
}

/** The ask that a hold was; null where the gauge found none. */
type Ask = (held: Held) => Promise<Pulled | null>;

let listening: Ask | null = null;

/** A page listens to the gauge, or does no longer. */
export function gaugeListens(ask: Ask | null): void {
  listening = ask;
}

/** Whether the gauge is heard now. */
export const gaugeIsHeard = () => listening !== null;

/**
 * A give with the hand and the time of the gauge; as the thumb said it where the gauge found no
 * ask there. How long it took is the gauge's only where the horse gave: a pull that was ended
 * otherwise ends when the rider says so.
 */
export async function byGauge(measure: Measure, held: Held): Promise<Measure> {
  if (measure.kind !== 'give' || !listening) return measure;
  const pulled = await listening(held).catch(() => null);
  if (!pulled) return measure;
  const gave = measure.answer === 'gave' || measure.answer === 'late';
  return {
    ...measure,
    hand: pulled.hand,
    ...(gave && { time_s: Math.round(pulled.time_to_give_s * 100) / 100 }),
  };
}
