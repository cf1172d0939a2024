import { queryOptions } from '@tanstack/react-query';
import { answer, client } from '../base/api/client';
import type { KeptDatabase } from '../outbox/db';
import { calculate, type Output } from '../base/core/core';
import { counts, judgeInput, type OwnRides, type Pack } from './judgeInput';

/** A horse taken along: what the server judges it by, and what this device asked since. */

export const packQuery = (horseId: string) =>
  queryOptions({
    queryKey: ['pack', horseId],
    queryFn: () =>
      answer(
        client.GET('/api/horses/{horse_id}/pack', { params: { path: { horse_id: horseId } } }),
      ),
    // A ride without signal may last longer than what is not looked at is kept.
    gcTime: Infinity,
  });

export type BrakeLimit = NonNullable<Output<'judge'>['brake']> | null;

export type JudgedHere = Output<'judge'>['verdicts'][number];

/** What this device has recorded of a horse, sent or not. */
export async function ownRides(db: KeptDatabase, horseId: string): Promise<OwnRides> {
  const rides = await db.rides.filter((ride) => ride.horseId === horseId).toArray();
  const reps = await db.reps
    .where('rideId')
    .anyOf(rides.map((ride) => ride.rideId))
    .toArray();
  return { rides: rides.filter(counts), reps };
}

/** What the brake keeps the horse from for now, as the core in the page says; null for nothing. */
export async function brakeHere(pack: Pack, own: OwnRides, date: string): Promise<BrakeLimit> {
  return (await calculate('judge', judgeInput(pack, own, date))).brake ?? null;
}

/** Every level of the horse that was asked, judged in the page. */
export async function judgeHere(pack: Pack, own: OwnRides, date: string): Promise<JudgedHere[]> {
  return (await calculate('judge', judgeInput(pack, own, date))).verdicts;
}
