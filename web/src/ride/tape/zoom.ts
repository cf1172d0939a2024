/** How a film is brought nearer: how much, and by how many of its own widths and heights it is moved. */
export interface Near {
  by: number;
  x: number;
  y: number;
}

export const whole: Near = { by: 1, x: 0, y: 0 };

const most = 8;

/** No edge of the film comes into the frame. */
function held({ by, x, y }: Near): Near {
  const least = 1 - by;
  return { by, x: Math.min(0, Math.max(least, x)), y: Math.min(0, Math.max(least, y)) };
}

/** Nearer about a spot of the frame, each of 0 to 1. */
export function nearer(near: Near, by: number, spot: { x: number; y: number }): Near {
  const to = Math.min(most, Math.max(1, near.by * by));
  const change = to / near.by;
  return held({
    by: to,
    x: spot.x - (spot.x - near.x) * change,
    y: spot.y - (spot.y - near.y) * change,
  });
}

export const moved = (near: Near, dx: number, dy: number): Near =>
  held({ ...near, x: near.x + dx, y: near.y + dy });

/** The spot of the film that is at a spot of the frame, each of 0 to 1. */
export const spotOf = (near: Near, spot: { x: number; y: number }) => ({
  x: (spot.x - near.x) / near.by,
  y: (spot.y - near.y) / near.by,
});
