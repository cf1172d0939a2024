import { counted, none, type RunningFace } from './face';
import { lengthInWords } from '../../../base/words/units';

/** The faces with something running: what is asked of it is set here, drawn in their own files. */

/** A circle: nose-ups are tapped as they come; done is one touch. */
export const circle: RunningFace = { how: 'run', settings: none };

const lengths = [5, 10, 15, 20, 30, 45, 60, 90, 120, 180, 300];

/** Something carried: the clock ends by itself when all that was asked is carried. */
export const carry: RunningFace = {
  how: 'run',
  settings: () => [
    {
      id: 'asked',
      name: 'Time asked',
      values: lengths.map((s) => [String(s), s < 120 ? `${s} s` : `${s / 60} min`]),
      usual: '10',
    },
  ],
};

/** Calm: the minutes run; signs are chips. */
export const calm: RunningFace = { how: 'run', settings: none };

/** A run of the pattern, barrel by barrel. */
export const run: RunningFace = {
  how: 'run',
  settings: () => [
    counted('plan', 'Planned pocket at the back', [1, 12], 4, (many) => lengthInWords(many)),
  ],
};
