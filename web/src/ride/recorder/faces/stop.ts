import type { Schemas } from '../../../base/api/client';
import { count } from '../../../base/words/plain';
import { counted, numberOf, type HoldFace } from './face';

const heads: Record<string, Schemas['Head'] | undefined> = { head_up: 'up', nose_out: 'out' };

/** The feet quit: hold. Off the bridle: let go. */
export const stop: HoldFace = {
  how: 'hold',
  settings: () => [
    {
      id: 'cue',
      name: 'Last cue it took',
      values: [
        ['seat', 'seat'],
        ['voice', 'voice'],
        ['one_rein', 'one rein'],
        ['two_reins', 'two reins'],
      ],
      usual: 'seat',
    },
    counted('strides', 'Strides until the feet quit', [0, 8], 1, (many) => count(many, 'stride')),
  ],
  both: 'The stop',
  begin: 'Hold when the feet quit; let go off the bridle',
  letGo: 'let go off the bridle',
  zones: [
    { id: 'leaned', label: 'Stayed on the bridle', key: 'd', wide: true },
    { id: 'crept', label: 'Feet crept', key: 'l', wide: true },
    { id: 'head_up', label: 'Head up', key: 'arrowup' },
    { id: 'nose_out', label: 'Nose out', key: 'arrowright' },
  ],
  measure: (answer, time_s, set) => ({
    kind: 'stop',
    cue: set.cue as Schemas['Cue'],
    strides: numberOf(set, 'strides'),
    off_bridle_s: answer === 'leaned' || answer === 'did_not_give' ? null : time_s,
    head: heads[answer] ?? 'quiet',
    crept: answer === 'crept',
  }),
  more: [{ id: 'gave', label: 'off the bridle' }],
};
