import type { Schemas } from '../base/api/client';

export type Help = Schemas['Help'];

/** What helped in one ride: how many answers of each kind. */
export interface RideHelp {
  rideId: string;
  day: string;
  counts: Record<Help, number>;
}

/** The help noted in each ride, oldest first; rides without any are left out. */
export function helpOf(strips: Schemas['Strip'][]): RideHelp[] {
  return strips
    .map((strip) => {
      const counts: Record<Help, number> = { mostly_hand: 0, even: 0, mostly_leg: 0 };
      for (const { measure } of strip.reps) {
        const help = 'help' in measure ? measure.help : null;
        if (help) counts[help] += 1;
      }
      return { rideId: strip.ride_id, day: strip.day, counts };
    })
    .filter(({ counts }) => total(counts) > 0);
}

export const total = (counts: Record<Help, number>) =>
  counts.mostly_hand + counts.even + counts.mostly_leg;

const legShare = (rides: RideHelp[]) => {
  const all = rides.reduce((sum, { counts }) => sum + total(counts), 0);
  const leg = rides.reduce((sum, { counts }) => sum + counts.mostly_leg, 0);
  return Math.round((leg / Math.max(1, all)) * 100);
};

/** Less hand and more leg at the same softness is progress: the last rides against the first. */
export function helpInWords(rides: RideHelp[]): string {
  const few = Math.min(3, Math.floor(rides.length / 2));
  if (few === 0) return 'Only one ride: too soon to say.';
  const [first, last] = [legShare(rides.slice(0, few)), legShare(rides.slice(-few))];
  const way =
    last > first ? 'more leg and less hand now' : last < first ? 'more hand now' : 'as before';
  return `Mostly leg on ${last}% of the last answers, ${first}% of the first: ${way}.`;
}
