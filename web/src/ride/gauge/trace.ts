import type { Output } from '../../base/core/core';

/** What was found in a rein gauge's trace. */
export type Trace = Output<'gauge-asks'>;
