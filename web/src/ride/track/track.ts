import type { Output } from '../../base/core/core';

/** What was found in the track of a ride. */
export type Track = Output<'ride-track'>;
