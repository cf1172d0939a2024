import type { Schemas } from '../api/client';
import { answerWords, handWords, seconds } from './answers';
import { count } from './plain';
import { lengthsInWords } from './units';

export type Measure = Schemas['Measure'];
export type MeasureKind = Schemas['MeasureKind'];
export type Give = Extract<Measure, { kind: 'give' }>;

export const isGive = (measure: Measure): measure is Give => measure.kind === 'give';

/** The time of an ask, where it is timed. */
export const timeOf = (measure: Measure): number | null =>
  isGive(measure) ? measure.time_s : null;

const join = (parts: (string | false | null | undefined)[]) => parts.filter(Boolean).join(', ');

/** What was measured, in the trainer's words. */
export function measureInWords(measure: Measure): string {
  switch (measure.kind) {
    case 'give':
      return join([
        gaveAfter(measure),
        handWords[measure.hand],
        measure.bumps != null && count(measure.bumps, 'bump'),
        measure.mouth && mouthWords[measure.mouth],
        measure.feet && feetWords[measure.feet],
        measure.stayed_soft === false && 'hard again after the release',
      ]);
    case 'steps':
      return join([
        `${measure.clean} of ${count(measure.asked, 'step')} clean`,
        measure.hurried && 'hurried',
      ]);
    case 'circle':
      return join([
        `${measure.soft_circles} of ${count(measure.circles, 'circle')} soft`,
        measure.nose_ups > 0 && count(measure.nose_ups, 'nose-up'),
        measure.fell_in && 'fell in',
        measure.fell_out && 'fell out',
        measure.broke_gait && 'broke gait',
        measure.help && helpWords[measure.help],
      ]);
    case 'stop':
      return join([
        `feet quit in ${count(measure.strides, 'stride')}`,
        measure.off_bridle_s == null
          ? 'never off the bridle'
          : `off the bridle in ${seconds(measure.off_bridle_s)}`,
        measure.head !== 'quiet' && `head ${measure.head}`,
        measure.crept && 'feet crept',
        measure.drift && `drifted ${measure.drift}`,
      ]);
    case 'roll':
      return join([
        measure.weight_behind ? 'weight behind' : 'weight in front',
        measure.fell_forward && 'fell forward',
        `left ${measure.exit}`,
      ]);
    case 'depart':
      return join([
        measure.waited ? 'waited' : 'did not wait',
        measure.right_lead ? 'right lead' : 'wrong lead',
        !measure.head_still && 'head up',
      ]);
    case 'change':
      return join([
        endWords[measure.ends],
        !measure.waited && 'did not wait',
        measure.sped_up && 'sped up',
      ]);
    case 'carry':
      return join([
        `${measure.carried} of ${measure.asked} ${measure.unit === 'seconds' ? 's' : 'circles'}`,
        measure.leaves > 0 && `left it ${count(measure.leaves, 'time')}`,
        measure.help && helpWords[measure.help],
      ]);
    case 'obstacle':
      return join([
        measure.crossed ? 'crossed' : 'not crossed',
        count(measure.tries, 'try', 'tries'),
        measure.ran_out && `ran out ${measure.ran_out}`,
        measure.jumped_off && 'jumped off',
      ]);
    case 'turn':
      return join([
        measure.result === 'turned' ? 'turned it' : 'lost it',
        positionWords[measure.position],
        measure.shoulders === 'leaked' && 'shoulder leaked',
        measure.weight === 'head_tossed' && 'head tossed',
        !measure.waited && 'panicked',
      ]);
    case 'run':
      return join([
        measure.broken && 'broke the pattern',
        measure.time_s != null && seconds(measure.time_s),
        measure.barrels.some(({ tipped }) => tipped) &&
          `${count(measure.barrels.filter(({ tipped }) => tipped).length, 'barrel')} down`,
        measure.timed_only
          ? 'pockets not looked at'
          : `pockets at the back ${lengthsInWords(measure.barrels.map((barrel) => barrel.pocket_ft[1] ?? 0))}`,
      ]);
    case 'calm':
      return join([
        measure.relaxed ? 'relaxed through' : 'not relaxed',
        `${measure.minutes} min`,
        (measure.drawn_to?.length ?? 0) > 0 && `drawn to ${measure.drawn_to?.join(', ')}`,
      ]);
    case 'count':
      return count(measure.count, 'time');
  }
}

/** An ask that ended without a give was waited on. */
function gaveAfter({ answer, time_s }: Give): string {
  const came = answer === 'gave' || answer === 'late';
  return `${answerWords[answer]}${came ? ' after' : ', waited'} ${seconds(time_s)}`;
}

export const helpWords: Record<Schemas['Help'], string> = {
  mostly_hand: 'mostly hand',
  even: 'hand and leg',
  mostly_leg: 'mostly leg',
};

const mouthWords: Record<Schemas['Mouth'], string> = {
  quiet: 'works the bit quietly',
  still: 'holds the bit still',
  frantic: 'chews frantically',
};

const feetWords: Record<Schemas['Feet'], string> = {
  kept_going: 'feet kept going',
  stuck: 'feet stuck',
  hurried: 'feet hurried',
};

const endWords: Record<Schemas['Ends'], string> = {
  hind_first: 'hind end first',
  together: 'together',
  hind_late: 'hind end late',
  front_only: 'front only',
  missed: 'no change',
};

const positionWords: Record<Schemas['Position'], string> = {
  short: 'short of it',
  even: 'even',
  long: 'half a length long',
  past: 'past it',
};

/** The kinds of ask by name. */
export const measureNames: Record<MeasureKind | 'give_both', string> = {
  give: 'Give to one rein',
  give_both: 'Give to both reins',
  steps: 'Steps',
  circle: 'Circle',
  stop: 'Stop',
  roll: 'Rollback',
  depart: 'Depart',
  change: 'Lead change',
  carry: 'Carry',
  obstacle: 'Obstacle',
  turn: 'Turn on a cow or flag',
  run: 'Run',
  calm: 'Calm',
  count: 'Count',
};
