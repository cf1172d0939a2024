import { hands, handWords, type Answer, type HandWeight } from '../../../base/words/answers';
import type { HoldFace, Setting } from './face';

export const hand: Setting = {
  id: 'hand',
  name: 'Hand weight',
  values: hands.map((weight) => [weight, handWords[weight]]),
  usual: 'fingertip',
};

/** The rein is taken: hold. The horse gives: let go. */
export const give: HoldFace = {
  how: 'hold',
  settings: () => [hand],
  both: 'Both reins',
  begin: 'Hold a half when you take that rein',
  letGo: 'let go on the give',
  zones: [
    { id: 'late', label: 'Late', key: 'l', wide: true },
    { id: 'did_not_give', label: 'Did not give', key: 'd', wide: true },
    { id: 'evaded_up', label: 'Head up', key: 'arrowup' },
    { id: 'evaded_out', label: 'Nose out', key: 'arrowright' },
    { id: 'evaded_down', label: 'Rooted down', key: 'arrowdown' },
    { id: 'evaded_behind', label: 'Behind vertical', key: 'arrowleft' },
  ],
  measure: (answer, time_s, set) => ({
    kind: 'give',
    hand: set.hand as HandWeight,
    time_s,
    answer: answer as Answer,
  }),
  more: [
    { id: 'gave', label: 'gave' },
    { id: 'evaded_shoulder', label: 'evaded, through the shoulder' },
    { id: 'evaded_sideways', label: 'evaded, sideways' },
    { id: 'evaded_backed_off', label: 'evaded, backed off' },
  ],
};

/** Both reins at once: one hold for the two. */
export const giveBoth: HoldFace = { ...give, begin: 'Hold when you take both reins' };
