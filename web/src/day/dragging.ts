import type { KeyboardCoordinateGetter } from '@dnd-kit/core';
import { clock } from '../words/days';
import type { LanePerson } from './Lanes';
import type { Change, DayShown } from './queries';
import { pxPerMin, stepMin, timeOf } from './scale';

/** Where a tag would stand, the change that makes it so, and both in words. */
export interface Dropped {
  change: Change;
  moved: {
    booking_id: string;
    person_id: string | null;
    place_id: string | null;
    from_min: number;
    minutes: number;
    note: string;
  };
  words: string;
}

/** The width of a lane with the gap beside it. */
function laneWidth(): number {
  const lane = document.querySelector('[data-lane]');
  return lane ? lane.getBoundingClientRect().width + 8 : 150;
}

/** Where a tag would stand after it was dragged so far. */
export function dropped(
  shown: DayShown,
  people: LanePerson[],
  bookingId: string,
  delta: { x: number; y: number },
): Dropped | undefined {
  const found = shown.bookings.find(({ booking }) => booking.booking_id === bookingId);
  if (!found) return undefined;
  const { booking, note } = found;
  const lane = people.findIndex(({ id }) => id === (booking.person_id ?? ''));
  const to = Math.min(people.length - 1, Math.max(0, lane + Math.round(delta.x / laneWidth())));
  const steps = Math.round(delta.y / pxPerMin / stepMin);
  const from_min = Math.min(1440 - stepMin, Math.max(0, booking.from_min + steps * stepMin));
  const person = people[to];
  const person_id = person?.id || null;
  if (from_min === booking.from_min && person_id === (booking.person_id ?? null)) return undefined;
  const moved = {
    booking_id: bookingId,
    person_id,
    place_id: booking.place_id ?? null,
    from_min,
    minutes: booking.minutes,
  };
  const horse = shown.plan.horses.find(({ horse_id }) => horse_id === booking.horse_id);
  return {
    change: { change: 'move', ...moved },
    moved: { ...moved, note },
    words: `${horse?.name ?? 'This'} at ${clock(timeOf(from_min))}, ${person?.name ?? 'nobody yet'}`,
  };
}

/** With keys a tag goes in steps: a quarter of an hour, or one lane. */
export const byStep: KeyboardCoordinateGetter = (event, { currentCoordinates }) => {
  const { x, y } = currentCoordinates;
  const down = stepMin * pxPerMin;
  switch (event.code) {
    case 'ArrowDown':
      return { x, y: y + down };
    case 'ArrowUp':
      return { x, y: y - down };
    case 'ArrowRight':
      return { x: x + laneWidth(), y };
    case 'ArrowLeft':
      return { x: x - laneWidth(), y };
    default:
      return undefined;
  }
};
