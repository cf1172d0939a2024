import { useEffect, useState } from 'react';
import { answer, client } from '../api/client';
import { calculate, CoreBroke } from '../core/core';
import { hours24 } from '../words/clockSetting';
import type { Broken, Change, DayPlan } from './queries';

/** What a change would break: the core says it, in the page or, without one, on the server. */
export async function brokenBy(day: DayPlan, change: Change): Promise<Broken[]> {
  const input = { day, change, hours24: hours24() };
  try {
    return (await calculate('day-rules', input)).by_change;
  } catch (error) {
    if (!(error instanceof CoreBroke)) throw error;
    const said = await answer(
      client.POST('/api/calc/{name}', {
        params: { path: { name: 'day-rules' } },
        body: input as never,
      }),
    );
    return (said as { by_change: Broken[] }).by_change;
  }
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
