import type { Output } from '../core/core';

/** What was found in a rein gauge's trace. */
export type Trace = Output<'gauge-asks'>;
