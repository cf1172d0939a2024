import type { Asked, Face } from './face';
import { give, giveBoth } from './give';
import { calm, carry, circle, run } from './running';
import { stop } from './stop';
import { change, counting, depart, obstacle, roll, steps, turn } from './taps';
import type { MeasureKind } from '../../../base/words/measures';

/** The face of each measure; one that is forgotten does not compile. */
const faces: Record<MeasureKind, Face> = {
  give,
  steps,
  circle,
  stop,
  roll,
  depart,
  change,
  carry,
  obstacle,
  turn,
  run,
  calm,
  count: counting,
};

/** Without the level nothing is known of how it is asked: a give on each side then. */
export function faceOf(asked: Asked | undefined): Face {
  if (asked?.measure === 'give' && asked.sides === 'both') return giveBoth;
  return faces[asked?.measure ?? 'give'];
}

export * from './face';
