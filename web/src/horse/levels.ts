import type { Schemas } from '../api/client';
import { daysBetween } from '../words/days';
import type { HorseLevel } from './queries';

/** A level with its place on the horse's ladder. */
export interface PlacedLevel extends HorseLevel {
  place: number;
}

/** Days after which a level is not under way any more. */
const underWayDays = 28;

/**
 * What the verdict board shows of a track line by line: what is being worked on, sent
 * down or overruled; what is held is only counted.
 */
export function underWay(levels: HorseLevel[], track: string, on: string): PlacedLevel[] {
  return levels
    .map((level, place) => ({ ...level, place }))
    .filter(({ level }) => level.track === track)
    .filter((level) => speaks(level, on))
    .sort((a, b) => (b.last_asked ?? '').localeCompare(a.last_asked ?? ''));
}

function speaks({ state, verdict, last_asked, held_since }: HorseLevel, on: string): boolean {
  const lately = last_asked != null && daysBetween(last_asked, on) <= underWayDays;
  if (state === 'rusty') return false;
  if (state === 'eased' || verdict === 'check_first') return lately;
  return lately && held_since == null;
}

/** Levels of a track that were held and have not been shown soft for long. */
export const rustyOf = (levels: HorseLevel[], track: string): PlacedLevel[] =>
  levels
    .map((level, place) => ({ ...level, place }))
    .filter(({ level, state }) => level.track === track && state === 'rusty');

export const heldOf = (levels: HorseLevel[], track: string) =>
  levels.filter(({ level, held_since }) => level.track === track && held_since != null).length;

/** The place of a level by its address. */
export function placeOf(
  levels: { level: { skill: string; rung: string } }[],
  { skill, rung }: Schemas['Level'],
): number {
  return levels.findIndex(({ level }) => level.skill === skill && level.rung === rung);
}

/** What a level is called; its address when this ladder does not have it. */
export function nameOf(
  levels: { level: { skill: string; rung: string; name: string } }[],
  level: Schemas['Level'],
): string {
  return levels[placeOf(levels, level)]?.level.name ?? `${level.skill}/${level.rung}`;
}
