import type { Schemas } from '../../base/api/client';

export type StringHorse = Schemas['StringHorse'];

/** Whether the horse's ride of today is behind it. */
export const isRidden = (entry: StringHorse) =>
  entry.rides.some((ride) => ride.finished_at != null);

/** The first horse not ridden yet: one's own before another rider's. */
export function nextUp(string: StringHorse[], personId: string): StringHorse | undefined {
  const waiting = string.filter((entry) => !isRidden(entry) && entry.skipped_because == null);
  return waiting.find((entry) => entry.rider_id === personId) ?? waiting[0];
}

/** Each rider's string, one's own first, earliest horse first. */
export function lanes(string: StringHorse[], personId: string): [string, StringHorse[]][] {
  const byRider = new Map<string, StringHorse[]>();
  const own = string.filter((entry) => entry.rider_id === personId);
  const others = string.filter((entry) => entry.rider_id !== personId);
  for (const entry of [...own, ...others]) {
    byRider.set(entry.rider, [...(byRider.get(entry.rider) ?? []), entry]);
  }
  return [...byRider];
}

const minutesOf = ({ parts }: StringHorse) => parts.reduce((sum, { minutes }) => sum + minutes, 0);

/** What its card works on, with the minutes; a card without a part is not for riding. */
export function cardInShort(entry: StringHorse): string {
  const { parts } = entry;
  if (parts.length === 0) return 'nobody rides today';
  const work =
    parts.find(({ part }) => part === 'work') ?? parts.find(({ part }) => part === 'review');
  return `${minutesOf(entry)} min, ${work ? work.name.toLowerCase() : 'easy'}`;
}
