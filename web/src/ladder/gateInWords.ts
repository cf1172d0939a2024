import type { Schemas } from '../base/api/client';
import { handWords } from '../base/words/answers';
import { percent } from '../base/words/plain';

/** What a gate asks for, rail by rail; a rail that asks for nothing is left out. */
export function gateInWords({ gate, level, needs }: Schemas['ShownLevel']): string[] {
  const hasBelow = needs.some((need) => need.some(({ skill }) => skill === level.skill));
  const each = level.sides === 'each' ? ' on each side' : '';
  const lines: (string | false)[] = [
    gate.least_count > 0 && `${gate.least_count} in all`,
    gate.least_reps > 0 && `at least ${gate.least_reps} asks${each} on ${gate.least_days} days`,
    gate.soft_share > 0 && `${percent(gate.soft_share)} soft${each}`,
    gate.low_share > 0 &&
      `proven above ${percent(gate.low_share)} (${percent(gate.confidence)} sure)`,
    gate.first_ask_soft > 0 &&
      `first ask soft on ${gate.first_ask_soft} of the last ${gate.first_ask_days} days`,
    gate.no_miss_reps > 0 && `not one missed in the last ${gate.no_miss_reps}${each}`,
    each !== '' &&
      gate.most_difference != null &&
      `sides at most ${Math.round(gate.most_difference * 100)} points apart`,
    each !== '' &&
      gate.most_time_ratio != null &&
      level.measure === 'give' &&
      `the slower side takes at most ${gate.most_time_ratio} times as long`,
    hasBelow && gate.level_below && 'the level below soft on its last day',
    level.measure === 'give' &&
      `soft: within ${level.longest_soft_s} s, ${handWords[gate.soft.most_hand]} at most, no evasion`,
    `looked at: the last ${gate.window_rides} rides within ${gate.window_days} days, more when they hold too few asks`,
  ];
  return lines.filter((line) => line !== false);
}
