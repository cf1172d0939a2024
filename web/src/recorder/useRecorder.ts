import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { KeptRep, KeptRide } from '../queue/db';
import { changeAnswer, finish, goOnWith, keepRep, takeBack } from '../queue/keep';
import { useQueue } from '../queue/queue';
import { useWho } from '../session/who';
import { horseQuery } from '../today/queries';
import { dayIn } from '../words/days';
import { levelQuery } from '../level/queries';
import type { Answer, Side } from './hold';
import { useCutOff } from './useCutOff';
import { useHand } from './useHand';
import { useHold } from './useHold';
import { useWakeLock } from './useWakeLock';

/** Everything the recorder's views draw, and what their buttons do. */
export function useRecorder() {
  const { horseId = '', skill = '', rung = 'stand' } = useParams();
  const level = useMemo(() => ({ skill, rung }), [skill, rung]);
  const { time_zone } = useWho();
  const { db, kick } = useQueue();
  const navigate = useNavigate();
  const [ride, setRide] = useState<KeptRide | null>(null);
  const [hand, setHand] = useHand();
  const horse = useQuery(horseQuery(horseId));
  const judged = useQuery(levelQuery({ horseId, ...level }));
  useWakeLock();

  useEffect(() => {
    let left = false;
    void goOnWith(db, horseId, dayIn(time_zone), level).then((found) => {
      if (!left) setRide(found);
    });
    return () => {
      left = true;
    };
  }, [db, horseId, level, time_zone]);

  const reps = useLiveQuery(() => repsOf(db, ride?.rideId), [db, ride?.rideId]);

  const { cutOff, add: addCutOff, settle } = useCutOff(ride?.rideId);

  const record = async (side: Side, askedAt: Date, time_s: number, answer: Answer) => {
    if (!ride) return;
    await keepRep(db, ride, { side, askedAt, measure: { kind: 'give', hand, time_s, answer } });
    navigator.vibrate?.(25);
    kick();
  };
  const { hold, half } = useHold(
    ({ side, pressedAt, time_s, answer }) => void record(side, wallTime(pressedAt), time_s, answer),
    ({ side, pressedAt, time_s }) =>
      addCutOff({ side, askedAt: wallTime(pressedAt).toISOString(), time_s }),
  );

  const last = reps?.at(-1);
  const undo = useCallback(async () => {
    if (!last) return;
    await takeBack(db, last.repId);
    kick();
  }, [db, kick, last]);
  const change = async (answer: Answer) => {
    if (!last) return;
    await changeAnswer(db, last, answer);
    kick();
  };
  const settleCutOff = async (answer: Answer | null) => {
    if (cutOff && answer) {
      await record(cutOff.side, new Date(cutOff.askedAt), cutOff.time_s, answer);
    }
    settle();
  };
  const finishRide = async () => {
    if (!ride) return;
    const kept = await finish(db, ride.rideId);
    kick();
    await navigate(kept === 'kept' ? `/rides/${ride.rideId}` : '/', { replace: true });
  };

  return {
    horse: horse.data,
    name: judged.data?.level.name ?? skill,
    longestSoftS: judged.data?.level.longest_soft_s,
    ride,
    reps: reps ?? [],
    last,
    hold,
    half,
    hand,
    setHand,
    cutOff,
    settleCutOff,
    undo,
    change,
    finishRide,
  };
}

export type Recorder = ReturnType<typeof useRecorder>;

/** The reps of a ride that were not taken back, in the order of asking. */
async function repsOf(db: ReturnType<typeof useQueue>['db'], rideId: string | undefined) {
  if (!rideId) return [];
  const reps = await db.reps.where('rideId').equals(rideId).toArray();
  return reps.filter((rep) => !rep.undone).sort(byAsking);
}

const byAsking = (a: KeptRep, b: KeptRep) =>
  a.askedAt < b.askedAt ? -1 : a.askedAt > b.askedAt ? 1 : a.repId < b.repId ? -1 : 1;

/** Event times count from the page's start; a rep needs the time of day. */
function wallTime(eventTime: number): Date {
  return new Date(Date.now() - (performance.now() - eventTime));
}
