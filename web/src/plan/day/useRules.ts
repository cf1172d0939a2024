import { useEffect, useState } from 'react';
import { calculateAnywhere } from '../../base/core/anywhere';
import { hours24 } from '../../base/words/clockSetting';
import type { Broken, Change, DayPlan } from '../../data/day';

/** What a change would break. */
export async function brokenBy(day: DayPlan, change: Change): Promise<Broken[]> {
  const input = { day, change, hours24: hours24() };
  return (await calculateAnywhere('day-rules', input)).by_change;
}

/** The same while something is being dragged or typed; none until it is known. */
export function useBrokenBy(day: DayPlan, change: Change | undefined): Broken[] | undefined {
  const asked = change && JSON.stringify(change);
  const [said, setSaid] = useState<{ of: string; broken: Broken[] }>();
  useEffect(() => {
    if (!asked) return;
    let left = false;
    brokenBy(day, JSON.parse(asked) as Change)
      .then((broken) => {
        if (!left) setSaid({ of: asked, broken });
      })
      .catch((error: unknown) => console.warn(error));
    return () => {
      left = true;
    };
  }, [day, asked]);
  return said && said.of === asked ? said.broken : undefined;
}
