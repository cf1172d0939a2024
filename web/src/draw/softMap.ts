import { count } from '../base/words/plain';
import type { Schemas } from '../base/api/client';

/** A part of the horse on one side, over the gaits that are looked at. */
export interface ZoneSide {
  zone: Schemas['Zone'];
  side: Schemas['Side'];
  now: Schemas['SoftCount'];
  before: Schemas['SoftCount'];
}

const none = { soft: 0, asked: 0 };
const add = (a: Schemas['SoftCount'], b: Schemas['SoftCount']) => ({
  soft: a.soft + b.soft,
  asked: a.asked + b.asked,
});

/** The zones at one gait, or over all of them. */
export function zonesAt(map: Schemas['MapZone'][], gait: Schemas['Gait'] | null): ZoneSide[] {
  const found = new Map<string, ZoneSide>();
  for (const one of map) {
    if (gait && one.gait !== gait) continue;
    const key = `${one.zone} ${one.side}`;
    const known = found.get(key) ?? { zone: one.zone, side: one.side, now: none, before: none };
    found.set(key, {
      ...known,
      now: add(known.now, one.now),
      before: add(known.before, one.before),
    });
  }
  return [...found.values()];
}

/** Pixels from one stroke to the next: close together where it is soft. */
export const hatchGap = (share: number) => 3.2 + (1 - share) * 17;

const shareOf = ({ soft, asked }: Schemas['SoftCount']) => (asked > 0 ? soft / asked : null);

/** By how many points the share changed against the fourteen days before; null where it cannot be said. */
export function points({ now, before }: ZoneSide): number | null {
  const [share, past] = [shareOf(now), shareOf(before)];
  return share === null || past === null ? null : Math.round((share - past) * 100);
}

/** The change in a few words, with its own shape. */
export function change(zone: ZoneSide): string {
  const by = points(zone);
  const asks = count(zone.now.asked, 'ask');
  if (by === null) return `new, ${asks}`;
  if (Math.abs(by) < 3) return `= as before, ${asks}`;
  return by > 0 ? `▲ up ${by}, ${asks}` : `▼ down ${-by}, ${asks}`;
}
