import type { Film } from './film';

const near = (a: number, b: number, within: number) => Math.abs(a - b) <= within;

/** The same film: as long, as large. Its name may have been changed. */
export const sameFilm = (a: Film, b: Film) =>
  near(a.length_s, b.length_s, 0.05) && a.width_px === b.width_px && a.height_px === b.height_px;

/**
 * Which film of a tape one is that was opened: one that was marked before, or one more; null when
 * there are two already and it is neither.
 */
export function slotOf(films: Film[], open: boolean[], film: Film): number | null {
  const known = films.findIndex((one, index) => !open[index] && sameFilm(one, film));
  if (known >= 0) return known;
  return films.length < 2 ? films.length : null;
}
