import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { rigOf } from '../../outbox/card';
import type { Rig } from '../../outbox/db';
import { useQueue } from '../../outbox/queue';
import { setRig, wearAsBarnSays } from '../../outbox/rig';
import { useWho } from '../../data/who';
import { tackQuery } from '../../data/tackOfHorse';
import { dayIn } from '../../base/words/days';
import { rigKind, short } from './rigNamed';

const none: string[] = [];

/** What the horse is ridden in, putting on something else, and why this rider may not. */
export function useRig(horseId: string, rideId: string | undefined) {
  const { db, kick } = useQueue();
  const { time_zone } = useWho();
  const day = dayIn(time_zone);
  const tack = useQuery(tackQuery(horseId));
  const found = useLiveQuery(async () => {
    const worn = rideId ? (await db.rides.get(rideId))?.rigs?.at(-1) : undefined;
    // An object, so that "none" and "not known yet" are told apart.
    return { rig: worn ?? (await rigOf(db, { horseId, day })) };
  }, [db, horseId, rideId, day]);
  const worn = tack.data?.pieces.find((piece) => piece.worn);
  const wornKind = worn && rigKind(worn.kind);
  const wornId = worn?.gear_id;
  const wornName = worn?.name ?? '';
  useEffect(() => {
    if (rideId || !wornKind || !wornId) return;
    const rig = { kind: wornKind, name: short(wornName), gear_id: wornId };
    void wearAsBarnSays(db, { horseId, day }, rig);
  }, [rideId, wornKind, wornId, wornName, db, horseId, day]);
  const rig = found?.rig;
  const piece = tack.data?.pieces.find(({ gear_id }) => gear_id === rig?.gear_id);
  const ofKind = tack.data?.kinds.find(({ kind }) => kind === rig?.kind);
  const stopped = !tack.data
    ? none
    : rig
      ? ((piece ?? ofKind)?.stopped ?? tack.data.stopped)
      : tack.data.stopped;
  return {
    rig,
    tack: tack.data,
    /** Why this rider may not start a ride so; empty: they may, or it is not known here. */
    stopped,
    putRig: async (picked: Rig) => {
      await setRig(db, { horseId, day }, picked);
      kick();
    },
  };
}
