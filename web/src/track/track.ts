import type { Output } from '../core/core';

/** What was found in the track of a ride. */
export type Track = Output<'ride-track'>;
