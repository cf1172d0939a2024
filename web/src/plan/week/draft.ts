import { clock } from '../../base/words/days';
import { timeOf } from '../scale';
import type { Instance, PlannedRide, RideTaken, WeekShown } from '../../data/week';

/** A plan as it is being changed: nothing of it is kept before it is taken. */
export type Draft = RideTaken[];

export const stepMin = 15;

export const draftOf = (week: WeekShown): Draft =>
  week.stood.map(({ ride, pinned }) => ({ ride, pinned }));

/** The same as it is sent: each ride says what it takes its work for. */
export const sent = (instance: Instance, draft: Draft): Draft =>
  draft.map(({ ride, pinned }) => ({ ride, pinned, level: workOf(instance, ride)?.level }));

export const ridesOf = (draft: Draft): PlannedRide[] => draft.map(({ ride }) => ride);

const key = ({ ride, pinned }: RideTaken) =>
  [
    ride.day,
    ride.from_min,
    ride.horse_id,
    ride.work,
    ride.person_id,
    ride.place_id,
    Boolean(pinned),
  ].join();

/** Whether two plans are one: in whatever order. */
export const isSame = (one: Draft, other: Draft) =>
  one.map(key).sort().join(';') === other.map(key).sort().join(';');

export const horseOf = (instance: Instance, ride: PlannedRide) =>
  instance.horses.find(({ horse_id }) => horse_id === ride.horse_id);

export const workOf = (instance: Instance, ride: PlannedRide) =>
  horseOf(instance, ride)?.works[ride.work];

export const minutesOf = (instance: Instance, ride: PlannedRide) =>
  workOf(instance, ride)?.minutes ?? 45;

const firstName = (name: string) => name.split(' ')[0] ?? name;

export const riderOf = (instance: Instance, ride: PlannedRide) =>
  firstName(
    instance.riders.find(({ person_id }) => person_id === ride.person_id)?.name ?? 'Somebody',
  );

export const placeOf = (instance: Instance, ride: PlannedRide) =>
  instance.places.find(({ place_id }) => place_id === ride.place_id)?.name ?? 'somewhere';

const kinds = { ride: '', cattle: 'cattle', pattern: 'pattern', outing: 'outing' };

export const kindOf = (instance: Instance, ride: PlannedRide) =>
  kinds[workOf(instance, ride)?.kind ?? 'ride'];

export const clockOf = (minutes: number) => clock(timeOf(minutes));

const weekday = new Intl.DateTimeFormat('en-US', { weekday: 'long', timeZone: 'UTC' });

export const dayName = (instance: Instance, day: number) =>
  weekday.format(new Date(`${instance.days[day]?.date ?? '2026-01-05'}T12:00:00Z`));

/** "Tuesday 9:15 AM, Wren, north arena". */
export const said = (instance: Instance, ride: PlannedRide) =>
  [
    `${dayName(instance, ride.day)} ${clockOf(ride.from_min)}`,
    riderOf(instance, ride),
    placeOf(instance, ride),
    kindOf(instance, ride),
  ]
    .filter(Boolean)
    .join(', ');

/** A ride moved by so many days and steps of time; undefined where it would stay. */
export function moved(
  instance: Instance,
  ride: PlannedRide,
  { days, steps }: { days: number; steps: number },
): PlannedRide | undefined {
  const day = Math.min(instance.days.length - 1, Math.max(0, ride.day + days));
  const from_min = Math.min(1440 - stepMin, Math.max(0, ride.from_min + steps * stepMin));
  return day === ride.day && from_min === ride.from_min ? undefined : { ...ride, day, from_min };
}

export const replaced = (draft: Draft, index: number, taken: RideTaken): Draft =>
  draft.map((one, at) => (at === index ? taken : one));
