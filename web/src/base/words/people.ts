import type { Schemas } from '../api/client';

export const roleWords: Record<Schemas['Role'], string> = {
  trainer: 'Trainer',
  rider: 'Rider',
  helper: 'Helper',
  owner: 'Owner',
};

/** What each may do, in a line. */
export const roleMeans: Record<Schemas['Role'], string> = {
  trainer: 'Has the last word, adds people and horses',
  rider: 'Rides and records what they are given',
  helper: 'Records from the rail, turns cattle back',
  owner: 'Sees their own horses only',
};

export const weekdayWords = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
];

/** What a name suggests to sign in with: `Juna Weatherby` gives `juna`. */
export function suggestedSignIn(name: string): string {
  const first = name.trim().toLowerCase().split(/\s+/)[0] ?? '';
  return first
    .normalize('NFD')
    .replace(/[^a-z0-9]/g, '')
    .slice(0, 40);
}

/** Said where work that nobody does alone was done alone. */
export const nobody = 'Nobody';

/** Who else was there on a ride, in a sentence. */
export const presentInWords = (present: string) =>
  present === nobody ? 'Nobody else was there.' : `There: ${present}.`;
