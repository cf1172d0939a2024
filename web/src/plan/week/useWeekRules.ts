import { useEffect, useState } from 'react';
import { calculateAnywhere } from '../../base/core/anywhere';
import { hours24 } from '../../base/words/clockSetting';
import type { Instance, PlannedRide, Rules } from '../../data/week';

/** What a plan breaks and is worth. */
const rulesOf = (instance: Instance, plan: PlannedRide[], other: PlannedRide[]) =>
  calculateAnywhere('week-rules', { instance, plan, other, hours24: hours24() });

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
