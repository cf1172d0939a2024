import type { Schemas } from '../base/api/client';
import type { HorseLevel } from './horse';

/** A level with its place on the horse's ladder. */
export interface PlacedLevel extends HorseLevel {
  place: number;
}

/**
 * What the verdict board shows of a track line by line: what is under way by the core; what
 * is held is only counted.
 */
export function underWay(levels: HorseLevel[], track: string): PlacedLevel[] {
  return levels
    .map((level, place) => ({ ...level, place }))
    .filter(({ level, under_way }) => level.track === track && under_way)
    .sort((a, b) => (b.last_asked ?? '').localeCompare(a.last_asked ?? ''));
}

/** Levels of a track that were held and have not been shown soft for long. */
export const rustyOf = (levels: HorseLevel[], track: string): PlacedLevel[] =>
  levels
    .map((level, place) => ({ ...level, place }))
    .filter(({ level, state }) => level.track === track && state === 'rusty');

export const heldOf = (levels: HorseLevel[], track: string) =>
  levels.filter(({ level, counts_as_held }) => level.track === track && counts_as_held).length;

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
