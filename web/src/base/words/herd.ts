import type { Schemas } from '../api/client';
import { count } from './plain';

/** How a cow goes. */
export const goesWords: Record<Schemas['Tempo'], string> = {
  slow: 'Walks off',
  medium: 'Trots',
  quick: 'Runs',
};

export const cowKindWords: Record<Schemas['CowKind'], string> = {
  heifer: 'Heifer',
  steer: 'Steer',
  cow: 'Cow',
};

export const handlingWords: Record<Schemas['Handling'], string> = {
  well: 'Handled quietly',
  wild: 'Wild',
};

export const signWords: Record<Schemas['CowSign'], string> = {
  runny_eye: 'Runny eye',
  runny_nose: 'Runny nose',
  lame: 'Lame',
  dull: 'Dull',
  off_feed: 'Off feed',
  other: 'Something else',
};

export const settledWords: Record<Schemas['Settled'], string> = {
  yes: 'Settled: green horses welcome',
  never: 'Not settled yet: no green horses',
  did_not_stand: "Wouldn't stand last time: no green horses",
  more_came: 'New cattle since it was settled: settle it again before green horses',
  long_ago: 'Settled too long ago: settle it again before green horses',
};

export const howWords: Record<Schemas['HowEnded'], string> = {
  good_turn: 'Quit on a good turn',
  lost: 'Lost it',
  ran_through: 'Ran through',
  left_cattle: 'Left the cattle',
  rest: 'Stopped there',
};

/** Why a cow is not for a horse. */
export const notForWords: Record<Schemas['NotForIt'], string> = {
  sorted_off: 'sorted off',
  done: 'done: no longer honors a horse',
  at_its_cap: 'worked enough today',
  too_wild: 'too wild for a first time',
  not_settled: 'herd not settled',
  too_quick: 'too quick',
  worked_already: 'worked already this ride',
};

export const againstDueWords: Record<Schemas['TempoAgainstDue'], string> = {
  as_due: 'the tempo that is due',
  slower: 'slower than due',
  quicker: 'a step quicker than due',
};

/** "stops 8 of 10" for the share of honest stops. */
export const stopsInWords = (share: number) => `stops ${Math.round(share * 10)} of 10`;

/** What a cow may still do today. */
export const leftInWords = (left: number) =>
  left === 0 ? 'worked enough today' : `${count(left, 'work')} left today`;

/** "2 sorted off, 1 too quick" */
export const becauseInWords = (because: Schemas['NotForHorse'][]) =>
  because.map(({ why, cattle }) => `${cattle} ${notForWords[why]}`).join(', ');

export const comesApartWords: Record<Schemas['ComesApartBy'], string> = {
  short: 'hangs short',
  past: 'runs past',
  leaked: 'shoulder leaks',
  tossed: 'head tossed',
  lost: 'loses it from the right place',
};

const tempoWords: Record<Schemas['Tempo'], string> = {
  slow: 'a slow cow',
  medium: 'a medium cow',
  quick: 'a quick cow',
};

/** What the turns say, in a sentence or two. */
export function turnsInWords({ holds_up_to, comes_apart }: Schemas['TurnsSummary']): string {
  const holds = holds_up_to && `Holds together up to ${tempoWords[holds_up_to]}.`;
  const apart =
    comes_apart &&
    `Comes apart to the ${comes_apart.side} on ${tempoWords[comes_apart.tempo]}: ${comesApartWords[comes_apart.by]} most often.`;
  return [holds, apart].filter(Boolean).join(' ') || 'Too few turns to tell yet.';
}

export const firstTempo = (tempo: Schemas['Tempo']) => tempoWords[tempo];
