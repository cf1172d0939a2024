import type { Schemas } from '../api/client';

export const bookingWords: Record<Schemas['BookingKind'], string> = {
  ride: 'Ride',
  outing: 'Outing, nothing asked',
  farrier: 'Farrier',
  dentist: 'Dentist',
  vet: 'Vet',
  lesson: 'Lesson',
  owner_visit: 'Owner visits',
  haul: 'Haul',
  barrels_set: 'Barrels set',
  herd_gathered: 'Herd gathered',
  ground_dragged: 'Ground dragged',
};

/** What makes a place ready: drawn as a band over the lanes. */
export const setUps: Schemas['BookingKind'][] = ['barrels_set', 'herd_gathered', 'ground_dragged'];
