import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import { calculate, hasCore, type Output } from '../../base/core/core';
import { penQuery } from '../../data/pen';
import type { Schemas } from '../../base/api/client';
import { goingRide } from '../../outbox/keep';
import { goingWork, onCattle } from '../../outbox/work';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import type { Recorder } from './useRecorder';

export type Advice = Output<'next-cow'>;
export type CowAtPen = Schemas['AtPen']['cattle'][number];

/** The tempo that a rung or a setting names; slow where it names none. */
export const tempoOf = (named: string | undefined): Schemas['Tempo'] =>
  named === 'medium' || named === 'quick' ? named : 'slow';

/** The cattle at the pen, the work that goes on, and what Cavesson says: leave, tempo, next cow. */
export function usePen({ horseId, level }: Pick<Recorder, 'horseId' | 'level'>) {
  const { db } = useQueue();
  const { time_zone } = useWho();
  const day = dayIn(time_zone);
  const pen = useQuery(penQuery(horseId));
  const kept = useLiveQuery(async () => {
    const ride = await goingRide(db, horseId);
    const reps = ride ? await db.reps.where('rideId').equals(ride.rideId).toArray() : [];
    return {
      rideId: ride?.rideId,
      startedAt: ride?.startedAt,
      onCattle: onCattle(ride, reps),
      work: await goingWork(db, { horseId, day }),
    };
  }, [db, horseId, day]);
  const asked = useMemo(() => {
    if (!pen.data || !kept) return undefined;
    const { today, left, dry, worked } = kept.onCattle;
    const before = pen.data.lately.filter(({ ride_id }) => ride_id !== kept.rideId);
    return {
      horse_id: horseId,
      tempo: tempoOf(level.rung),
      first: pen.data.first,
      corrected: pen.data.corrected,
      lately: before.map(({ turn }) => turn),
      today,
      left,
      dry,
      // The one that is worked now too, also before the first turn on it.
      worked: kept.work?.cow_id ? [...new Set([...worked, kept.work.cow_id])] : worked,
      cattle: pen.data.cattle.map(({ cow }) => cow),
    };
  }, [pen.data, kept, horseId, level.rung]);
  const advice = useQuery({
    queryKey: ['nextCow', asked],
    queryFn: () => calculate('next-cow', asked as NonNullable<typeof asked>),
    enabled: hasCore && asked !== undefined,
    networkMode: 'always',
    gcTime: 60_000,
    placeholderData: (last) => last,
  });
  const cattle = pen.data?.cattle ?? [];
  return {
    cattle,
    cowOf: (cowId: string | null | undefined) => cattle.find(({ cow }) => cow.cow_id === cowId),
    work: kept?.work,
    rideId: kept?.rideId,
    onCattle: kept?.onCattle,
    advice: advice.data,
    first: pen.data?.first ?? false,
    mount: { horseId, day },
  };
}
