import type { Schemas } from '../../base/api/client';

/**
 * The hold: press when the rein is taken, let go when the horse gives, slide
 * off to say what it did instead. Pure; times are milliseconds of one clock.
 */

export type Side = Schemas['Side'];

/** Where the thumb is: on the pressed half, off the ask altogether, or on an answer of the face. */
export type Zone = string;

/** What letting go on the half itself says. */
export const onHalf = 'gave';

export interface Hold {
  /** The id of the rep it becomes, made at the press. */
  repId: string;
  side: Side;
  pressedAt: number;
  zone: Zone;
  /** When the thumb left the pressed half: the ask ended there. */
  leftAt: number | null;
}

export interface Ended {
  repId: string;
  side: Side;
  pressedAt: number;
  time_s: number;
  /** {@link onHalf}, or the answer it was slid to. */
  answer: string;
}

/** Shorter than this is a brush of the glass, not an ask. */
export const shortestS = 0.1;

export function press(repId: string, side: Side, at: number): Hold {
  return { repId, side, pressedAt: at, zone: 'half', leftAt: null };
}

export function slide(hold: Hold, zone: Zone, at: number): Hold {
  if (zone === hold.zone) return hold;
  if (zone === 'half') return { ...hold, zone, leftAt: null };
  return { ...hold, zone, leftAt: hold.leftAt ?? at };
}

/** Seconds on the clock now; it stands still while the thumb is off the half. */
export function elapsedS(hold: Hold, at: number): number {
  return Math.max(0, ((hold.leftAt ?? at) - hold.pressedAt) / 1000);
}

/** The ask that a release makes; none when it was slid off or was only a brush. */
export function release(hold: Hold, at: number): Ended | null {
  const time_s = Math.round(elapsedS(hold, at) * 100) / 100;
  if (hold.zone === 'off' || time_s < shortestS) return null;
  return {
    repId: hold.repId,
    side: hold.side,
    pressedAt: hold.pressedAt,
    time_s,
    answer: hold.zone === 'half' ? onHalf : hold.zone,
  };
}
