import type { Schemas } from '../api/client';
import { isMetric } from './unitSetting';

type Lay = Schemas['GroundLay'];

export const fenceWords: Record<Lay['fence'], string> = {
  pipe: 'Pipe',
  boards: 'Boards or rails',
  panels: 'Panels',
  wire: 'Wire',
  wall: 'Solid walls',
  open: 'No fence',
};

export const footingWords: Record<Lay['footing'], string> = {
  good: 'Good',
  deep: 'Deep',
  hard: 'Hard',
  wet: 'Wet',
  rutted: 'Rutted',
};

export const keepOffWords: Record<Schemas['KeepOffKind'], string> = {
  ruts: 'Ruts or holes',
  jumps: 'Jumps or things in the way',
  wet: 'Water or mud',
  hard: 'Hard or stony',
  other: 'Something else',
};

export const courseWords = {
  barrels: 'Barrel course',
  drill: 'Drill',
  trail: 'Trail course',
} as const;

const metersPerFoot = 0.3048;

/** A length on the ground as a tape says it: 94 ft 10 in, or 28.92 m. */
export function tapeInWords(feet: number): string {
  const sign = feet < 0 ? '-' : '';
  const size = Math.abs(feet);
  if (isMetric()) return `${sign}${(size * metersPerFoot).toFixed(2)} m`;
  const inches = Math.round(size * 12);
  const [whole, rest] = [Math.floor(inches / 12), inches % 12];
  if (rest === 0) return `${sign}${whole} ft`;
  return whole === 0 ? `${sign}${rest} in` : `${sign}${whole} ft ${rest} in`;
}

/** A length on the ground, roughly: 474 ft, or 144 m. */
export const groundInWords = (feet: number) =>
  isMetric() ? `${Math.round(feet * metersPerFoot)} m` : `${Math.round(feet)} ft`;

export const groundUnit = () => (isMetric() ? 'm' : 'ft');

/** Feet as they are shown for typing. */
export const shownFeet = (feet: number) =>
  isMetric() ? Number((feet * metersPerFoot).toFixed(2)) : Number(feet.toFixed(2));

/** What was typed, in feet. */
export const feetTyped = (typed: number) => (isMetric() ? typed / metersPerFoot : typed);

/** An area: 31,200 sq ft, or 2,899 m². */
export const areaInWords = (squareFeet: number) =>
  isMetric()
    ? `${Math.round(squareFeet * metersPerFoot ** 2).toLocaleString('en-US')} m²`
    : `${Math.round(squareFeet).toLocaleString('en-US')} sq ft`;

/** What went wrong at timing eyes, said to whoever takes the time. */
export const eyeFaultWords: Record<Schemas['EyeFault'], string> = {
  double_trigger: 'beam broken twice',
  started_again: 'started again',
  no_start: 'no start seen',
  too_soon: 'something ran through early',
  too_late: 'too late for a run',
  lines_missing: 'lines missing: check it',
};
