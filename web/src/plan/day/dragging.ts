import { clock } from '../../base/words/days';
import type { LanePerson } from './lanePerson';
import type { Change, DayShown } from '../../data/day';
import { pxPerMin, stepMin, timeOf } from '../scale';

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

/** How far a tag was dragged, in lanes and in steps of time. */
export const inSteps = ({ x, y }: { x: number; y: number }): Steps => ({
  lanes: Math.round(x / laneWidth()),
  steps: Math.round(y / pxPerMin / stepMin),
});

/** How far a tag is moved: so many lanes across, so many quarters of an hour down. */
export interface Steps {
  lanes: number;
  steps: number;
}

/** How far that is on the screen. */
export const inPixels = ({ lanes, steps }: Steps) => ({
  x: lanes * laneWidth(),
  y: steps * stepMin * pxPerMin,
});

/** What a key does to a tag that is held with keys; none where it does nothing. */
export function byKey(code: string, { lanes, steps }: Steps): Steps | undefined {
  switch (code) {
    case 'ArrowDown':
      return { lanes, steps: steps + 1 };
    case 'ArrowUp':
      return { lanes, steps: steps - 1 };
    case 'ArrowRight':
      return { lanes: lanes + 1, steps };
    case 'ArrowLeft':
      return { lanes: lanes - 1, steps };
    default:
      return undefined;
  }
}

/** Where a tag would stand after it was moved so far. */
export function dropped(
  shown: DayShown,
  people: LanePerson[],
  bookingId: string,
  { lanes, steps }: Steps,
): Dropped | undefined {
  const found = shown.bookings.find(({ booking }) => booking.booking_id === bookingId);
  if (!found) return undefined;
  const { booking, note } = found;
  const lane = people.findIndex(({ id }) => id === (booking.person_id ?? ''));
  const to = Math.min(people.length - 1, Math.max(0, lane + lanes));
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
    words: `${horse?.name ?? 'This'} at ${clock(timeOf(from_min))}, ${person?.name ?? 'without a rider'}`,
  };
}
