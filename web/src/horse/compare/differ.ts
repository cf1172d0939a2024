import type { HorseLevel, HorsePage } from '../../data/horse';

/** A level as two pages have it; null where a ladder does not have it. */
export interface Pair {
  name: string;
  track: string;
  one: HorseLevel | null;
  other: HorseLevel | null;
}

const key = ({ level }: HorseLevel) => `${level.skill}/${level.rung}`;

/** The levels on which two pages differ in state or verdict, in the order of the work. */
export function differ(one: HorsePage, other: HorsePage): Pair[] {
  const others = new Map(other.levels.map((level) => [key(level), level]));
  const pairs: Pair[] = one.levels.map((level) => {
    const found = others.get(key(level)) ?? null;
    others.delete(key(level));
    return { name: level.level.name, track: level.level.track, one: level, other: found };
  });
  const left = [...others.values()].map((level) => ({
    name: level.level.name,
    track: level.level.track,
    one: null,
    other: level,
  }));
  return [...pairs, ...left].filter(
    ({ one, other }) =>
      one?.state !== other?.state || (isAsked(one, other) && one?.verdict !== other?.verdict),
  );
}

/** A verdict says something only where there were asks. */
const isAsked = (one: HorseLevel | null, other: HorseLevel | null) =>
  one?.last_asked != null || other?.last_asked != null;
