import type { Schemas } from '../api/client';

let metric = false;

/** The units of the barn that is signed in to; an older device's session says none. */
export function speakIn(units: Schemas['Units'] | undefined) {
  metric = units === 'metric';
}

export const isMetric = () => metric;
