import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useEffect } from 'react';
import { useWho } from '../data/who';
import { dayIn } from '../base/words/days';
import type { KeptHold } from './db';
import { cutOff, settleHold } from './keep';
import { isGone } from './pages';
import { useQueue } from './queue';
import type { Settled } from './settled';

const CutOffHold = lazy(async () => ({ default: (await import('./CutOffHold')).CutOffHold }));

/** A hold that was broken off (a call, a gesture, a dead battery) is asked about on whatever page opens next. */
export function HeldQuestion() {
  const { db, kick, storage } = useQueue();
  const { time_zone } = useWho();
  const holds = useLiveQuery(() => (storage === 'ready' ? db.holds.toArray() : []), [db, storage]);
  const first = holds?.filter((hold) => hold.cutOff).sort(byTime)[0];
  useEffect(() => {
    for (const hold of holds ?? []) {
      if (hold.cutOff) continue;
      void isGone(hold.page, hold.askedAt).then((gone) => {
        if (gone) return cutOff(db, hold.repId, hold.heldS);
      });
    }
  }, [db, holds]);
  if (!first) return null;
  const settle = async (answer: Settled) => {
    await settleHold(db, first.repId, dayIn(time_zone), answer);
    kick();
  };
  return (
    <Suspense fallback={null}>
      <CutOffHold hold={first} onAnswer={(answer) => void settle(answer)} />
    </Suspense>
  );
}

const byTime = (a: KeptHold, b: KeptHold) => (a.askedAt < b.askedAt ? -1 : 1);
