import type { Schemas } from '../../base/api/client';
import { clock } from '../../base/words/days';
import { count } from '../../base/words/plain';
import { weekdayWords } from '../../base/words/people';
import { rigWords } from '../../base/words/states';

/** What a rider is cleared for, in a sentence. */
export function clearanceInWords(clearance: Schemas['Clearance']): string {
  const { only_horses, rigs, cattle, first_rides, quiet_hands } = clearance;
  const horses = only_horses ? `Rides ${count(only_horses.length, 'horse')}` : 'Rides every horse';
  const all = Object.keys(rigWords).length;
  const inRigs =
    rigs.length === all
      ? 'in anything'
      : rigs.length === 0
        ? 'in no headgear yet'
        : `in ${rigs.map((rig) => rigWords[rig].toLowerCase()).join(', ')}`;
  const also = [cattle ? 'cattle' : 'no cattle', first_rides ? 'first rides' : 'no first rides'];
  if (quiet_hands) also.push('tack for quiet hands');
  return `${horses} ${inRigs}; ${also.join(', ')}.`;
}

const short = (weekday: number) => (weekdayWords[weekday - 1] ?? '').slice(0, 3);

/** The hours somebody works: days with the same hours together. */
export function hoursInWords(hours: Schemas['WorkHours'][]): string {
  if (hours.length === 0) return 'No hours set.';
  const same = new Map<string, number[]>();
  for (const { weekday, from, to } of hours) {
    const when = `${clock(from)} to ${clock(to)}`;
    same.set(when, [...(same.get(when) ?? []), weekday]);
  }
  return `${[...same].map(([when, days]) => `${daysInWords(days)} ${when}`).join('; ')}.`;
}

/** Days in a row as one stretch: Mon to Fri. */
function daysInWords(days: number[]): string {
  const runs: [number, number][] = [];
  for (const day of [...days].sort((a, b) => a - b)) {
    const last = runs.at(-1);
    if (last && last[1] === day - 1) last[1] = day;
    else runs.push([day, day]);
  }
  return runs
    .map(([first, last]) =>
      first === last
        ? short(first)
        : `${short(first)} ${last - first === 1 ? 'and' : 'to'} ${short(last)}`,
    )
    .join(', ');
}
