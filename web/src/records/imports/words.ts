import type { Schemas } from '../../base/api/client';
import { shortDay } from '../../base/words/days';
import { capital, count } from '../../base/words/plain';
import type { Read } from '../../data/imports';

/** A column of a sheet as people say it: `time_s` is the time in seconds. */
export const columnInWords = (name: string) =>
  capital(name.replace(/_s$/, ' (s)').replaceAll('_', ' '));

/** What a sheet makes: 12 asks in 3 rides. */
export function madeInWords({ horses, cattle, rides, asks }: Schemas['Made']): string {
  const some = [
    asks > 0 && count(asks, 'ask'),
    rides > 0 && count(rides, 'ride'),
    cattle > 0 && `${cattle} head of cattle`,
    horses > 0 && count(horses, 'horse'),
  ].filter((words) => words !== false);
  return some.length === 0 ? 'nothing' : some.join(' in ');
}

/** The same with its horses and days. */
export function readInWords({ makes, of_horses, from, to }: Read): string {
  const horses = of_horses > 0 ? ` of ${count(of_horses, 'horse')}` : '';
  const days =
    from && to
      ? from === to
        ? `, ${shortDay(from)}`
        : `, ${shortDay(from)} to ${shortDay(to)}`
      : '';
  return `${madeInWords(makes)}${horses}${days}`;
}

/** How the letters of a file are written, where that may need a look. */
export const lettersInWords: Record<Schemas['Encoding'], string | undefined> = {
  utf8: undefined,
  utf16: undefined,
  windows1252:
    'This file is in the letters of an older program. Look at names with accents before you bring it in.',
};
