import type { Schemas } from '../base/api/client';

export type Run = Extract<Schemas['Measure'], { kind: 'run' }>;

export interface RunBarrelDraft {
  /** Feet at the three spots beyond the plan; below 0 tighter. */
  off: number[];
  rate: number;
  wrongLead: boolean;
  shapeLost: boolean;
  tipped: boolean;
  steppedOff: boolean;
}

export const asPlanned: RunBarrelDraft = {
  off: [0, 0, 0],
  rate: 1,
  wrongLead: false,
  shapeLost: false,
  tipped: false,
  steppedOff: false,
};

export const marks: [keyof Omit<RunBarrelDraft, 'off' | 'rate'>, string][] = [
  ['shapeLost', 'Lost its shape'],
  ['wrongLead', 'Wrong lead'],
  ['steppedOff', 'Stepped off'],
  ['tipped', 'Tipped'],
];

/** How fast the pattern is ridden. */
export const rungs: [string, string][] = [
  ['walk', 'At the walk'],
  ['trot', 'At the trot'],
  ['lope', 'At the lope'],
  ['three_quarter', 'At three-quarter speed'],
  ['run', 'At a run'],
];

export const spotNames = ['In', 'Back', 'Out'];

/** Going in and coming out a pocket is a foot wider and a foot tighter than at the back. */
export const around = (back: number) => [back + 1, back, Math.max(0, back - 1)];

export interface RunOf {
  barrels: RunBarrelDraft[];
  /** The planned pockets of each barrel. */
  planned: number[][];
  timeS: number | null;
  splits?: number[];
  /** The time of the timing eyes that it was given. */
  timedId?: string;
  /** Pockets that were measured, where they were. */
  measuredFt?: (number | null)[][];
  courseId?: string;
  pathFt?: number;
  footing?: Schemas['Footing'];
  broken?: boolean;
}

/** What is recorded of a run. */
export function measured(run: RunOf): Run {
  const { barrels, planned, timeS, splits, timedId, courseId, pathFt, footing, broken } = run;
  return {
    kind: 'run',
    ...(timeS !== null && timeS >= 5 && { time_s: timeS }),
    ...(splits?.length === 4 && { splits_s: splits }),
    ...(timedId && { timed_id: timedId }),
    ...(courseId && { course_id: courseId }),
    ...(pathFt !== undefined && { path_ft: Math.round(pathFt * 10) / 10 }),
    ...(footing && { footing }),
    ...(broken && { broken }),
    barrels: barrels.map((barrel, index) => {
      const plan = planned[index] ?? around(4);
      return {
        planned_ft: plan,
        pocket_ft: plan.map(
          (feet, spot) =>
            run.measuredFt?.[index]?.[spot] ?? Math.max(0, feet + (barrel.off[spot] ?? 0)),
        ),
        rate_strides: barrel.rate,
        right_lead: !barrel.wrongLead,
        shape_held: !barrel.shapeLost,
        tipped: barrel.tipped,
        stepped_off: barrel.steppedOff,
      };
    }),
  };
}

/** The knocked barrels of a run. */
export const knockedOf = ({ barrels }: Pick<Run, 'barrels'>) =>
  barrels.filter(({ tipped }) => tipped).length;
