import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { Schemas } from '../../base/api/client';
import { calculate, hasCore } from '../../base/core/core';
import { stripsQuery } from '../../data/level';
import type { KeptRep, KeptRide } from '../../outbox/db';
import type { Level } from '../../outbox/keep';

interface Asked {
  horseId: string;
  level: Level;
  ride: KeptRide | undefined;
  reps: KeptRep[];
  /** Where the level stands, as far as it is known here. */
  state: Schemas['State'] | undefined;
  sex: Schemas['Sex'] | null | undefined;
  /** Minutes the card has for the level. */
  budgetMin: number | null;
}

const none: Schemas['Strip'][] = [];

/** Whether the last ask was a good place to quit, as the core in the page says; empty when not. */
export function useQuit({ horseId, level, ride, reps, state, sex, budgetMin }: Asked): string {
  const strips = useQuery(stripsQuery({ horseId, ...level }));
  const before = strips.data?.strips.filter(({ ride_id }) => ride_id !== ride?.rideId) ?? none;
  const last = before.at(-1)?.reps ?? [];
  const input = {
    asks: reps.map(({ side, soft, askedAfterMs }) => ({
      side,
      soft: soft ?? false,
      after_ms: askedAfterMs === Number.MAX_SAFE_INTEGER ? null : askedAfterMs,
    })),
    budget_min: budgetMin,
    brand_new: strips.isSuccess && before.length === 0,
    green: state !== undefined && state !== 'held',
    last_ride: { soft: last.filter(({ soft }) => soft).length, asked: last.length },
    sex,
  };
  // An ask that is not judged yet says nothing.
  const judged = reps.length > 0 && reps.every(({ soft }) => soft !== undefined);
  const found = useQuery({
    queryKey: ['quitHere', input],
    queryFn: () => calculate('quit', input),
    enabled: hasCore && judged,
    gcTime: 0,
    networkMode: 'always',
  });
  const text = judged ? (found.data?.text ?? '') : '';
  useEffect(() => {
    if (text) navigator.vibrate?.([40, 60, 40]);
  }, [text]);
  return text;
}
