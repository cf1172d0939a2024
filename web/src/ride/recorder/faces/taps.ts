import type { Schemas } from '../../../base/api/client';
import { count } from '../../../base/words/plain';
import { counted, none, numberOf, type Asked, type Choice, type Set, type TapFace } from './face';

/** The faces that are tapped: one touch is one ask. */

/** Steps asked at once. */
export const steps: TapFace = {
  how: 'tap',
  settings: () => [counted('asked', 'Steps asked', [1, 12], 1, (many) => count(many, 'step'))],
  choices(set) {
    const asked = numberOf(set, 'asked');
    const cleaned = (label: string, clean: number, hurried = false): Choice => ({
      label,
      measure: { kind: 'steps', asked, clean, hurried },
    });
    return [
      cleaned(asked === 1 ? 'Clean' : `All ${asked} clean`, asked),
      ...(asked > 1 ? [cleaned(`${asked - 1} of ${asked} clean`, asked - 1)] : []),
      ...(asked > 3
        ? [cleaned(`${Math.floor(asked / 2)} of ${asked} clean`, Math.floor(asked / 2))]
        : []),
      cleaned(asked === 1 ? 'Not clean' : 'None clean', 0),
      cleaned('Hurried, not clean', 0, true),
    ];
  },
};

type Rolled = Extract<Schemas['Measure'], { kind: 'roll' }>;

/** A rollback. */
export const roll: TapFace = {
  how: 'tap',
  settings: (asked) => [
    {
      id: 'against',
      name: 'Rolled back against',
      values: [
        ['fence', 'the fence'],
        ['barrel', 'a barrel'],
        ['open', 'nothing, in the open'],
      ],
      usual: usualAgainst(asked),
    },
  ],
  choices(set) {
    const soft: Rolled = {
      kind: 'roll',
      against: set.against as Schemas['Against'],
      weight_behind: true,
      fell_forward: false,
      exit: 'soft',
    };
    const forward = { weight_behind: false, fell_forward: true };
    return [
      { label: 'Sat and left soft', measure: soft },
      { label: 'Left stiff', measure: { ...soft, exit: 'stiff' } },
      { label: 'Fell forward', measure: { ...soft, ...forward } },
      { label: 'Forward and stiff', measure: { ...soft, ...forward, exit: 'stiff' } },
      { label: 'Full 360', measure: { ...soft, full_turn: true } },
    ];
  },
};

const usualAgainst = (asked: Asked | undefined) =>
  asked?.roles.includes('open_rollback')
    ? 'open'
    : asked?.roles.includes('barrel_rollback')
      ? 'barrel'
      : 'fence';

/** A lope depart; the lead is the level's. */
export const depart: TapFace = {
  how: 'tap',
  settings: () => [
    counted('strides', 'Strides before the lope', [0, 8], 0, (many) =>
      many === 0 ? 'straight off' : count(many, 'stride'),
    ),
  ],
  choices(set) {
    const soft = {
      kind: 'depart' as const,
      waited: true,
      head_still: true,
      straight: true,
      right_lead: true,
      strides_before: numberOf(set, 'strides'),
    };
    return [
      { label: 'Waited, loped off', measure: soft },
      { label: 'Left early', measure: { ...soft, waited: false } },
      { label: 'Head came up', measure: { ...soft, head_still: false } },
      { label: 'Wrong lead', measure: { ...soft, right_lead: false } },
      { label: 'Crooked', measure: { ...soft, straight: false } },
    ];
  },
};

/** A lead change; from which lead to which is the level's. */
export const change: TapFace = {
  how: 'tap',
  settings: () => [
    counted('late', 'Strides the hind end is late', [1, 6], 1, (many) => count(many, 'stride')),
  ],
  choices(set) {
    const changed = (ends: Schemas['Ends']) => ({
      kind: 'change' as const,
      ends,
      waited: true,
      sped_up: false,
    });
    return [
      { label: 'Hind end first', measure: changed('hind_first') },
      { label: 'Together', measure: changed('together') },
      {
        label: `Hind end late, ${count(numberOf(set, 'late'), 'stride')}`,
        measure: { ...changed('hind_late'), late_strides: numberOf(set, 'late') },
      },
      { label: 'Front only', measure: changed('front_only') },
      { label: 'No change', measure: changed('missed') },
      { label: "Changed, didn't wait", measure: { ...changed('together'), waited: false } },
      { label: 'Changed, sped up', measure: { ...changed('together'), sped_up: true } },
    ];
  },
};

/** An obstacle, as often as it was tried. */
export const obstacle: TapFace = {
  how: 'tap',
  settings: () => [
    counted('tries', 'Tries', [1, 12], 1, (many) => count(many, 'try', 'tries'), true),
  ],
  choices(set) {
    const crossed = {
      kind: 'obstacle' as const,
      tries: numberOf(set, 'tries'),
      feet_on: 4,
      crossed: true,
      relaxed: true,
    };
    const not = { ...crossed, crossed: false, relaxed: false };
    return [
      { label: 'Crossed, relaxed', measure: crossed },
      { label: 'Crossed, tense', measure: { ...crossed, relaxed: false } },
      { label: 'Front feet on', measure: { ...not, feet_on: 2, relaxed: true } },
      { label: 'No foot on it', measure: { ...not, feet_on: 0 } },
      { label: 'Ran out left', measure: { ...not, feet_on: 0, ran_out: 'left' } },
      { label: 'Ran out right', measure: { ...not, feet_on: 0, ran_out: 'right' } },
      { label: 'Jumped off', measure: { ...not, feet_on: 2, jumped_off: true } },
    ];
  },
};

const tempos: [Schemas['Tempo'], string][] = [
  ['slow', 'slow, walks off'],
  ['medium', 'medium, trots'],
  ['quick', 'quick, runs'],
];

/** A turn on a cow or flag. */
export const turn: TapFace = {
  how: 'tap',
  settings: (asked) => [
    {
      id: 'tempo',
      name: 'Tempo of the cow or flag',
      values: tempos,
      usual: tempos.find(([tempo]) => tempo === asked?.rung)?.[0] ?? 'slow',
    },
  ],
  choices(set) {
    const even = {
      kind: 'turn' as const,
      tempo: set.tempo as Schemas['Tempo'],
      position: 'even' as const,
      shoulders: 'swept_across' as const,
      weight: 'behind' as const,
      waited: true,
      result: 'turned' as const,
    };
    return [
      { label: 'Even, turned it', measure: even },
      { label: 'Half a length long', measure: { ...even, position: 'long' } },
      { label: 'Shoulder leaked', measure: { ...even, shoulders: 'leaked' } },
      { label: 'Ran past', measure: { ...even, position: 'past' } },
      { label: 'Hung short', measure: { ...even, position: 'short' } },
      { label: 'Tossed the head', measure: { ...even, weight: 'head_tossed' } },
      { label: 'Lost it', measure: { ...even, position: 'short', result: 'lost' } },
      { label: 'Panicked, lost it', measure: { ...even, waited: false, result: 'lost' } },
    ];
  },
};

/** What adds up: mounts, trips. */
export const counting: TapFace = {
  how: 'tap',
  settings: none,
  choices: () =>
    [1, 5, 10].map((many) => ({
      label: many === 1 ? 'Once' : `${many} times`,
      measure: { kind: 'count', count: many },
    })),
};

export type { Set };
