import { expect, test } from 'vitest';
import { byKey, dropped } from '../src/plan/day/dragging';
import type { DayShown } from '../src/data/day';
import { hoursOf, minutesOf, timeOf } from '../src/plan/scale';
import { minutesNow } from '../src/base/words/days';

const shown = (from_min: number, minutes = 45): DayShown => ({
  day: '2026-05-04',
  heat: [],
  broken: [],
  bookings: [
    {
      booking: {
        booking_id: 'b',
        kind: 'ride',
        horse_id: 'h',
        person_id: 'wren',
        place_id: 'pen',
        from_min,
        minutes,
        cattle: false,
      },
      level: null,
      level_name: null,
      note: 'kept',
      skipped_because: null,
    },
  ],
  plan: {
    bookings: [],
    people: [],
    horses: [
      {
        horse_id: 'h',
        name: 'Oatcake',
        rig: null,
        first_rides: false,
        most_rides: 1,
        check_first: false,
      },
    ],
    places: [],
  },
});
const people = [
  { id: 'wren', name: 'Wren' },
  { id: 'tobin', name: 'Tobin' },
];

test('a tag goes in quarters of an hour and from lane to lane, and not off the day', () => {
  const day = shown(450);
  expect(dropped(day, people, 'b', { lanes: 0, steps: 0 })).toBeUndefined();
  const moved = dropped(day, people, 'b', { lanes: 1, steps: 2 });
  expect(moved?.words).toBe('Oatcake at 8:00 AM, Tobin');
  expect(moved?.moved).toMatchObject({
    person_id: 'tobin',
    place_id: 'pen',
    from_min: 480,
    note: 'kept',
  });
  expect(dropped(day, people, 'b', { lanes: -4, steps: -400 })?.moved).toMatchObject({
    person_id: 'wren',
    from_min: 0,
  });
  expect(dropped(day, people, 'b', { lanes: 9, steps: 400 })?.moved).toMatchObject({
    person_id: 'tobin',
    from_min: 1425,
  });
  expect(dropped(day, people, 'other', { lanes: 1, steps: 1 })).toBeUndefined();
});

test('arrows move it, other keys do not', () => {
  const still = { lanes: 0, steps: 0 };
  expect(byKey('ArrowDown', still)).toEqual({ lanes: 0, steps: 1 });
  expect(byKey('ArrowUp', still)).toEqual({ lanes: 0, steps: -1 });
  expect(byKey('ArrowLeft', still)).toEqual({ lanes: -1, steps: 0 });
  expect(byKey('ArrowRight', still)).toEqual({ lanes: 1, steps: 0 });
  expect(byKey('KeyA', still)).toBeUndefined();
});

test('the hours drawn hold what is booked', () => {
  expect(hoursOf(shown(450).plan)).toEqual([8, 16]);
  const early = shown(300).plan;
  expect(hoursOf({ ...early, bookings: [shown(300).bookings[0]!.booking] })).toEqual([5, 16]);
  expect(hoursOf({ ...early, bookings: [shown(1380).bookings[0]!.booking] })).toEqual([8, 24]);
  expect([timeOf(450), timeOf(1439), minutesOf('07:30:00')]).toEqual(['07:30:00', '23:59:00', 450]);
});

/** Source: IANA time zone database; America/Denver is UTC-6 in summer and UTC-7 in winter. */
test('minutes from midnight are those of the barn', () => {
  expect(minutesNow('America/Denver', new Date('2026-05-04T13:30:00Z'))).toBe(450);
  expect(minutesNow('America/Denver', new Date('2026-01-04T13:30:00Z'))).toBe(390);
  expect(minutesNow('America/Denver', new Date('2026-01-04T07:05:00Z'))).toBe(5);
});
