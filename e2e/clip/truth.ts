/**
 * A run that never was: a horse on straights and circles round three barrels, at one speed, with
 * one stride, before a camera whose place is known. Everything a film of it shows can be worked
 * out, so that what is marked in the film can be checked.
 */

export type Point = [number, number];

export const barrels: Point[] = [
  [110, 105],
  [20, 105],
  [65, 45 + 60 + Math.sqrt(105 ** 2 - 45 ** 2)],
];
export const post = { name: 'gate post', at: [53, 0] as Point };
export const scoreLine: Point = [65, 45];
export const outline: Point[] = [
  [0, 0],
  [130, 0],
  [130, 240],
  [0, 240],
];

export const framesASecond = 25;
export const frameS = 1 / framesASecond;
/** Feet from the middle of a barrel to the track. */
export const pocketFt = 6;
const speedFtS = 32;
/** Before the score line, and after it coming home. */
const beforeFt = 32;

/** A foot lands every ten frames. */
export const strideS = 0.4;

/** The rein is taken at a frame, and the horse gives at another. */
export const ask = { takenFrame: 60, gaveFrame: 91 };

interface Piece {
  length: number;
  at: (along: number) => Point;
}

/** To the right round the first barrel, to the left round the others. */
const turns = [-1, 1, 1];

/** Which way a straight goes from one circle (or point) to the next, touching both. */
function straight(from: Point, fromSide: number, to: Point, toSide: number) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const across = toSide - fromSide;
  const length = Math.sqrt(dx * dx + dy * dy - across * across);
  const heading = Math.atan2(dy, dx) - Math.atan2(across, length);
  const touch = (center: Point, side: number): Point => [
    center[0] + side * Math.sin(heading),
    center[1] - side * Math.cos(heading),
  ];
  return { heading, length, begin: touch(from, fromSide), end: touch(to, toSide) };
}

function pieces(): Piece[] {
  const home: Point = [scoreLine[0], scoreLine[1] - beforeFt];
  const stops = [home, ...barrels, home];
  const sides = [0, ...turns.map((turn) => turn * pocketFt), 0];
  const legs = stops
    .slice(1)
    .map((stop, index) => straight(stops[index]!, sides[index]!, stop, sides[index + 1]!));
  return legs.flatMap((leg, index): Piece[] => {
    const line: Piece = {
      length: leg.length,
      at: (along) => [
        leg.begin[0] + Math.cos(leg.heading) * along,
        leg.begin[1] + Math.sin(leg.heading) * along,
      ],
    };
    const next = legs[index + 1];
    const turn = turns[index];
    const barrel = barrels[index];
    if (!next || turn === undefined || !barrel) return [line];
    const full = 2 * Math.PI;
    const by = (((turn * (next.heading - leg.heading)) % full) + full) % full;
    const first = Math.atan2(leg.end[1] - barrel[1], leg.end[0] - barrel[0]);
    const round: Piece = {
      length: by * pocketFt,
      at: (along) => {
        const angle = first + (turn * along) / pocketFt;
        return [barrel[0] + pocketFt * Math.cos(angle), barrel[1] + pocketFt * Math.sin(angle)];
      },
    };
    return [line, round];
  });
}

const way = pieces();
export const wayFt = way.reduce((sum, { length }) => sum + length, 0);
export const lengthS = Math.ceil((wayFt / speedFtS) * framesASecond) / framesASecond;

/** Where the horse's feet are. */
export function horseAt(seconds: number): Point {
  let along = Math.min(Math.max(0, seconds * speedFtS), wayFt);
  for (const { length, at } of way) {
    if (along <= length) return at(along);
    along -= length;
  }
  return way.at(-1)!.at(way.at(-1)!.length);
}

const after = (count: number) =>
  way.slice(0, count).reduce((sum, { length }) => sum + length, 0) / speedFtS;

/** When it is at a spot: 1 where the circle begins, 2 half way round, 3 where it ends. */
export const spotS = (barrel: number, spot: number) =>
  after(2 * barrel - 1) + ((spot - 1) / 2) * (way[2 * barrel - 1]!.length / speedFtS);

function crossing(from: number, to: number): number {
  let [low, high] = [from, to];
  const beyond = (seconds: number) => horseAt(seconds)[1] > scoreLine[1];
  for (let step = 0; step < 60; step += 1) {
    const middle = (low + high) / 2;
    if (beyond(middle) === beyond(high)) high = middle;
    else low = middle;
  }
  return high;
}

export const lineInS = crossing(0, after(1));
export const lineHomeS = crossing(after(6), wayFt / speedFtS);

/** Hoof beats: every stride from the first frame on. */
export const beatsS = Array.from({ length: Math.floor(lengthS / strideS) }, (_, beat) =>
  Number((beat * strideS).toFixed(2)),
);

/** The frame that shows a moment. */
export const frameOf = (seconds: number) => Math.floor(seconds * framesASecond + 1e-6);
export const frameBegins = (frame: number) => Number((frame * frameS).toFixed(2));

export interface Camera {
  width: number;
  height: number;
  /** Where it stands, in feet, and how high. */
  at: Point;
  up: number;
  /** The point of the ground in the middle of its picture. */
  to: Point;
  /** In widths of the picture. */
  focal: number;
}

export const fromTheGate: Camera = {
  width: 640,
  height: 360,
  at: [65, -110],
  up: 60,
  to: [65, 105],
  focal: 0.95,
};

export const fromTheSide: Camera = {
  width: 320,
  height: 180,
  at: [220, 100],
  up: 50,
  to: [65, 110],
  focal: 0.7,
};

/** Where a pinhole camera sees a point of the ground, by similar triangles. */
export function seen({ width, height, at, up, to, focal }: Camera, point: Point): Point {
  const heading = Math.atan2(to[1] - at[1], to[0] - at[0]);
  const [dx, dy] = [point[0] - at[0], point[1] - at[1]];
  const forward = dx * Math.cos(heading) + dy * Math.sin(heading);
  const right = dx * Math.sin(heading) - dy * Math.cos(heading);
  const tilt = Math.atan2(up, Math.hypot(to[0] - at[0], to[1] - at[1]));
  const depth = forward * Math.cos(tilt) + up * Math.sin(tilt);
  const down = up * Math.cos(tilt) - forward * Math.sin(tilt);
  return [width / 2 + (focal * width * right) / depth, height / 2 + (focal * width * down) / depth];
}
