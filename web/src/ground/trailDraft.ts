import { bounds } from './bounds';
import type { Lay, TrailPlan } from '../data/ground';

export type Placed = TrailPlan['obstacles'][number];
export type Obstacle = Placed['obstacle'];
export type ObstacleKind = Obstacle['kind'];

/** Of each kind one that keeps the published sizes. */
export const fresh: Record<ObstacleKind, Obstacle> = {
  poles: { kind: 'poles', gait: 'walk', poles: 4, spacing_ft: 1.75, height_in: 0 },
  back_through: { kind: 'back_through', width_in: 32, length_ft: 12, height_in: 0 },
  bridge: { kind: 'bridge', width_in: 48, length_ft: 8, height_in: 6 },
  plank: { kind: 'plank', width_in: 16, length_ft: 10 },
  step: { kind: 'step', height_in: 8 },
  water: { kind: 'water', width_in: 96, length_ft: 8 },
  sidepass: { kind: 'sidepass', length_ft: 12 },
  gate: { kind: 'gate', width_in: 60 },
  serpentine: { kind: 'serpentine', gait: 'jog', poles: 5, spacing_ft: 8 },
};

export const obstacleNames: Record<ObstacleKind, string> = {
  poles: 'Poles to go over',
  back_through: 'Back-through',
  bridge: 'Bridge',
  plank: 'Narrow plank',
  step: 'Step down',
  water: 'Water or mud',
  sidepass: 'Sidepass pole',
  gate: 'Gate',
  serpentine: 'Serpentine posts',
};

/** A pole spacing that the rule book allows at the gait. */
export const spacingAt: Record<'walk' | 'jog' | 'trot' | 'lope', number> = {
  walk: 1.75,
  jog: 3.25,
  trot: 3.25,
  lope: 6.5,
};

/** Walk-overs, a bridge, a back-through: where most begin. */
export function newTrail(lay: Lay | null): TrailPlan {
  const { low, high } = bounds(lay?.outline ?? []);
  const [wide, long] = [high[0]! - low[0]!, high[1]! - low[1]!];
  const at = (across: number, up: number) => [
    Math.round(low[0]! + wide * across),
    Math.round(low[1]! + long * up),
  ];
  return {
    kind: 'trail',
    obstacles: [
      { obstacle: fresh.poles, at: at(0.25, 0.3), heading_deg: 90 },
      { obstacle: fresh.bridge, at: at(0.3, 0.7), heading_deg: 60 },
      { obstacle: fresh.back_through, at: at(0.7, 0.6), heading_deg: 270 },
    ],
  };
}

/** Sizes that are typed, by kind: field, label, unit. */
export const sizes: Record<string, [string, 'ft' | 'in']> = {
  poles: ['How many', 'ft'],
  spacing_ft: ['From pole to pole', 'ft'],
  width_in: ['Width', 'in'],
  length_ft: ['Length', 'ft'],
  height_in: ['Height', 'in'],
};
