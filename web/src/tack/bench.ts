import type { Input } from '../base/core/core';
import type { Piece } from '../data/yard';

/** What lies on the bench: a bit, a jaw, a pull; the same hands for every bit that is compared. */
export interface Bench {
  pull: number;
  angle: number;
  turn: number;
  jaw: number;
  /** Holes longer (above 0) or shorter than the strap that takes hold at the wanted turn. */
  hole: number;
  /** At which the strap is to take hold. */
  wanted: number;
  /** Hands of a snaffle: apart, above the rings. */
  apart: number;
  high: number;
}

export const usualBench: Bench = {
  pull: 2,
  angle: 90,
  turn: 20,
  jaw: 2,
  hole: 0,
  wanted: 37,
  apart: 16,
  high: 0,
};

export const reach: Record<keyof Bench, [number, number, number]> = {
  pull: [0, 20, 0.5],
  angle: [20, 160, 5],
  turn: [0, 80, 1],
  jaw: [1, 4, 0.125],
  hole: [-6, 6, 1],
  wanted: [10, 60, 1],
  apart: [0, 48, 2],
  high: [-20, 20, 1],
};

export const fields = Object.keys(usualBench) as (keyof Bench)[];

export function readBench(search: URLSearchParams): Bench {
  const read = { ...usualBench };
  for (const field of fields) {
    const said = Number(search.get(field) ?? NaN);
    const [least, most] = reach[field];
    if (Number.isFinite(said)) read[field] = Math.min(most, Math.max(least, said));
  }
  return read;
}

/** As an address has it: only what is otherwise than usual, with the bits. */
export function writeBench(bench: Bench, bit: string, other: string): URLSearchParams {
  const search = new URLSearchParams();
  if (bit) search.set('bit', bit);
  if (other) search.set('with', other);
  for (const field of fields)
    if (bench[field] !== usualBench[field]) search.set(field, String(bench[field]));
  return search;
}

export const isCurb = ({ measures }: Pick<Piece, 'measures'>) =>
  measures.purchase_in != null && measures.shank_in != null;

export const isJointed = (piece: Piece) =>
  piece.measures.mouthpiece === 'jointed' && !isCurb(piece);

/** Holes of a strap as they are punched mostly. */
const spacing = 0.5;
const holesEachWay = 6;

/** The question for the core about a curb: `half` is the strap that was buckled first. */
export function curbInput(piece: Piece, bench: Bench, half: number | null): Input<'curb'> {
  const strap =
    half === null
      ? undefined
      : {
          half_length_in: half + (bench.hole * spacing) / 2,
          hole_spacing_in: spacing,
          holes_shorter: holesEachWay + bench.hole,
          holes_longer: holesEachWay - bench.hole,
        };
  return {
    curb: {
      purchase_in: piece.measures.purchase_in ?? 0,
      shank_in: piece.measures.shank_in ?? 0,
      jaw_in: bench.jaw,
      pull_lbf: bench.pull,
      pull_angle_deg: bench.angle,
      rotation_deg: bench.turn,
    },
    take_hold_deg: bench.wanted,
    ...(strap && { strap }),
  };
}

export function snaffleInput(piece: Piece, bench: Bench): Input<'snaffle'> {
  const mouthpiece = piece.measures.mouth_in ?? 5;
  return {
    snaffle: { mouthpiece_in: mouthpiece, mouth_in: mouthpiece - 0.25 },
    hands: { pull_lbf: bench.pull, apart_in: bench.apart, high_in: bench.high, behind_in: 24 },
  };
}
