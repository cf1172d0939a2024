import type { Output } from '../core/core';

type Why = NonNullable<Output<'next-cow'>['leave']>['why'];

/** Why the cattle are left. */
export const whyLeaveWords: Record<Why, string> = {
  shoulder_leaks: 'The shoulder leaked in 2 of the last 3 turns.',
  head_tossed: 'The head was tossed in 2 of the last 3 turns.',
  both: 'A leaking shoulder and a tossed head in the last 3 turns.',
};
