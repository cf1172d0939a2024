import type { Feet } from './plan';

/** The least and the most of points, both ways. */
export function bounds(points: Feet[]): { low: Feet; high: Feet } {
  if (points.length === 0) return { low: [0, 0], high: [130, 240] };
  const of = (pick: (...n: number[]) => number, axis: number) =>
    pick(...points.map((point) => point[axis] ?? 0));
  return {
    low: [of(Math.min, 0), of(Math.min, 1)],
    high: [of(Math.max, 0), of(Math.max, 1)],
  };
}
