/** A plan in feet: x to the right, y up; on the screen y runs down. */

export interface Spot {
  x: number;
  y: number;
}

/** A point of the API: feet to the right, feet up. */
export type Feet = number[];

/** As it is drawn. */
export const drawn = (point: Feet): Spot => ({ x: point[0] ?? 0, y: -(point[1] ?? 0) });

/** From the drawing back to the plan, to the tenth of a foot. */
export const planned = ({ x, y }: Spot): Feet => [tenth(x), tenth(-y)];

export const tenth = (feet: number) => Math.round(feet * 10) / 10 + 0;

export const apart = (a: Feet, b: Feet) =>
  Math.hypot((a[0] ?? 0) - (b[0] ?? 0), (a[1] ?? 0) - (b[1] ?? 0));

/** A line of points as an SVG path. */
export function pathOf(points: Feet[], closed = false): string {
  const steps = points.map((point, index) => {
    const { x, y } = drawn(point);
    return `${index === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`;
  });
  return steps.join(' ') + (closed && steps.length > 0 ? ' Z' : '');
}

export interface Window {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What shows all these points, with some room round them. */
export function windowOf(points: Feet[], room = 9): Window {
  const spots = points.map(drawn);
  if (spots.length === 0) return { x: -20, y: -200, width: 180, height: 220 };
  const [left, right] = [Math.min, Math.max].map((of) => of(...spots.map(({ x }) => x)));
  const [top, bottom] = [Math.min, Math.max].map((of) => of(...spots.map(({ y }) => y)));
  return {
    x: left! - room,
    y: top! - room,
    width: right! - left! + 2 * room,
    height: bottom! - top! + 2 * room,
  };
}

/** Nearer by this factor about a spot, within what makes sense. */
export function zoomed(view: Window, by: number, about: Spot): Window {
  const width = Math.min(4000, Math.max(12, view.width / by));
  const factor = width / view.width;
  return {
    x: about.x - (about.x - view.x) * factor,
    y: about.y - (about.y - view.y) * factor,
    width,
    height: view.height * factor,
  };
}

export const moved = (view: Window, dx: number, dy: number): Window => ({
  ...view,
  x: view.x + dx,
  y: view.y + dy,
});

/** The middle of a ring's side. */
export const between = (a: Feet, b: Feet): Feet => [
  ((a[0] ?? 0) + (b[0] ?? 0)) / 2,
  ((a[1] ?? 0) + (b[1] ?? 0)) / 2,
];

/** Turned counterclockwise about the origin. */
export function turned(point: Feet, degrees: number): Feet {
  const angle = (degrees * Math.PI) / 180;
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  const [x, y] = [point[0] ?? 0, point[1] ?? 0];
  return [x * cos - y * sin, x * sin + y * cos];
}
