/** Where a track lies on a place's plan: its first point, and how far it is turned. */
export interface Placed {
  /** Where the first point is, in feet of the plan. */
  at: number[];
  /** Turned to the left, in degrees: a plan's up is seldom north. */
  turned: number;
}

/** Points in feet east and north of the first one, laid on a plan. */
export function laid(points: number[][], { at, turned }: Placed): [number, number][] {
  const angle = (turned * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const [atX = 0, atY = 0] = at;
  return points.map(([x = 0, y = 0]) => [atX + cos * x - sin * y, atY + sin * x + cos * y]);
}

const middle = (points: number[][]): [number, number] => {
  const of = (axis: number) => points.map((point) => point[axis] ?? 0);
  const half = (values: number[]) => (Math.min(...values) + Math.max(...values)) / 2;
  return [half(of(0)), half(of(1))];
};

/** The first point so that the middle of the track lies on the middle of the place. */
export function inTheMiddle(points: number[][], outline: number[][], turned: number): Placed {
  const [x, y] = middle(laid(points, { at: [0, 0], turned }));
  const [toX, toY] = middle(outline);
  return { at: [toX - x, toY - y], turned };
}
