import { useEffect, useState } from 'react';
import { answer, client } from '../api/client';
import { calculate, CoreBroke } from '../core/core';
import { hours24 } from '../words/clockSetting';
import type { Instance, PlannedRide, Rules } from './queries';

/** What a plan breaks and is worth: the core says it, in the page or on the server. */
async function rulesOf(instance: Instance, plan: PlannedRide[], other: PlannedRide[]) {
  const input = { instance, plan, other, hours24: hours24() };
  try {
    return await calculate('week-rules', input as never);
  } catch (error) {
    if (!(error instanceof CoreBroke)) throw error;
    const body = input as never;
    const path = { name: 'week-rules' };
    return (await answer(client.POST('/api/calc/{name}', { params: { path }, body }))) as Rules;
  }
}

/** The same while a plan is changed or a ride is dragged; the last answer until the next. */
export function useWeekRules(
  instance: Instance,
  plan: PlannedRide[],
  other: PlannedRide[],
): Rules | undefined {
  const asked = JSON.stringify([plan, other]);
  const [said, setSaid] = useState<Rules>();
  useEffect(() => {
    let left = false;
    const [one, against] = JSON.parse(asked) as [PlannedRide[], PlannedRide[]];
    rulesOf(instance, one, against)
      .then((rules) => {
        if (!left) setSaid(rules);
      })
      .catch((error: unknown) => console.warn(error));
    return () => {
      left = true;
    };
  }, [instance, asked]);
  return said;
}
