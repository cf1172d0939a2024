import type { Input, Output } from '../base/core/core';
import type { Feet } from './plan';
import { turned } from './plan';
import type { BarrelPlan, Lay } from '../data/ground';
import { bounds } from './bounds';

export type Ridden = Output<'cloverleaf'>;

export const standard = { between_1_2_ft: 90, between_1_3_ft: 105, score_line_ft: 60 };

const pocket = () => [5, 4, 3];

/** The published course, in the middle of the place. */
export function newBarrels(lay: Lay | null): BarrelPlan {
  const { low, high } = bounds(lay?.outline ?? []);
  const up = standard.score_line_ft + 94.87;
  const room = high[1]! - low[1]! - up;
  return {
    kind: 'barrels',
    measures: { ...standard },
    first: 'right',
    pockets: [pocket(), pocket(), pocket()],
    placing: {
      origin: [(low[0]! + high[0]!) / 2, low[1]! + Math.max(0, room * 0.55)],
      rotation_deg: 0,
    },
    moved: [
      [0, 0],
      [0, 0],
      [0, 0],
    ],
    gait: 'lope',
    stride_ft: null,
    rate_strides: 2,
    rides_up: 'pushed',
    clearances: { side_ft: 18, behind_ft: 36, end_ft: 45, track_ft: 3, keep_off_ft: 3 },
  };
}

/** The question for the core. */
export function cloverleafInput(plan: BarrelPlan, lay: Lay | null): Input<'cloverleaf'> {
  return {
    ...plan.measures,
    first: plan.first,
    pockets: plan.pockets,
    gait: plan.gait,
    stride_ft: plan.stride_ft ?? null,
    rate_strides: plan.rate_strides,
    rides_up: plan.rides_up ?? 'pushed',
    placing: plan.placing,
    moved: plan.moved,
    lay: lay ?? null,
    clearances: plan.clearances,
  };
}

/** A point of the place in the course's own frame. */
export const own = (plan: BarrelPlan, at: Feet): Feet =>
  turned(
    [at[0]! - plan.placing.origin[0]!, at[1]! - plan.placing.origin[1]!],
    -(plan.placing.rotation_deg ?? 0),
  );

/** A point of the course's frame in the place. */
export function placed(plan: BarrelPlan, at: Feet): Feet {
  const [x, y] = turned(at, plan.placing.rotation_deg ?? 0);
  return [plan.placing.origin[0]! + x!, plan.placing.origin[1]! + y!];
}

const clamped = (feet: number, most: number) => Math.max(-most, Math.min(most, feet));

/** A barrel was dragged there; `measured` is where the measures put it, in the course's frame. */
export function withBarrel(plan: BarrelPlan, barrel: number, measured: Feet, at: Feet): BarrelPlan {
  const there = own(plan, at);
  const way = [clamped(there[0]! - measured[0]!, 150), clamped(there[1]! - measured[1]!, 150)];
  const moved = plan.moved ?? [];
  return { ...plan, moved: [0, 1, 2].map((n) => (n === barrel ? way : (moved[n] ?? [0, 0]))) };
}

/** A spot of a pocket was dragged there: it is that far from its barrel. */
export function withPocket(
  plan: BarrelPlan,
  barrel: number,
  spot: number,
  from: Feet,
  at: Feet,
): BarrelPlan {
  const far = Math.hypot(at[0]! - from[0]!, at[1]! - from[1]!);
  const feet = Math.round(Math.max(1, Math.min(20, far)) * 4) / 4;
  return withPocketFeet(plan, barrel, spot, feet);
}

export const withPocketFeet = (plan: BarrelPlan, barrel: number, spot: number, feet: number) => ({
  ...plan,
  pockets: plan.pockets.map((pocket, n) =>
    n === barrel ? pocket.map((before, at) => (at === spot ? feet : before)) : pocket,
  ),
});

export const isMoved = ({ moved }: BarrelPlan) =>
  (moved ?? []).some((way) => way.some((feet) => Math.abs(feet) > 0.05));

/** Pockets that riders start with. Common practice. */
export const pocketChoices: [string, number[]][] = [
  ['Green, at the trot: 4, 4, 3', [4, 4, 3]],
  ['First lopes: in wide, out tight: 5, 4, 3', [5, 4, 3]],
  ['Wide for a slow green horse: 7, 6, 4', [7, 6, 4]],
  ['Finished and quick: 4, 3, 3', [4, 3, 3]],
];
