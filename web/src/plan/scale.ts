import type { DayPlan } from '../data/day';

/** How the day is drawn: time runs downwards. */
export const pxPerMin = 1.6;
/** A tag is moved in steps of so many minutes. */
export const stepMin = 15;

/** The first and the last hour drawn: what is booked, and the hours people work. */
export function hoursOf(plan: DayPlan): [number, number] {
  const starts = [
    ...plan.bookings.map(({ from_min }) => from_min),
    ...plan.people.flatMap(({ hours }) => (hours ? [minutesOf(hours.from)] : [])),
  ];
  const ends = [
    ...plan.bookings.map(({ from_min, minutes: long }) => from_min + long),
    ...plan.people.flatMap(({ hours }) => (hours ? [minutesOf(hours.to)] : [])),
  ];
  const first = Math.floor(Math.min(...starts, 8 * 60) / 60);
  const last = Math.ceil(Math.max(...ends, 15 * 60) / 60);
  return [first, Math.min(24, last + 1)];
}

/** Minutes from midnight as a time of day, such as 07:30:00. */
export const timeOf = (minutes: number) =>
  `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}:00`;

export const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
