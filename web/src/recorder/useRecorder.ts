import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { useNavigate, useParams } from 'react-router';
import { startCore } from '../core/core';
import { packQuery } from '../core/pack';
import { useSoft } from '../core/useSoft';
import { levelQuery } from '../level/queries';
import type { KeptDatabase, KeptRep } from '../queue/db';
import {
  changeAnswer,
  cutOff,
  finish,
  forgetHold,
  goingRide,
  holdsOn,
  keepHold,
  setUndone,
} from '../queue/keep';
import type { Unsaved } from '../queue/Keeper';
import { thisPage } from '../queue/pages';
import { useQueue } from '../queue/queue';
import { useWho } from '../session/who';
import { horseQuery } from '../today/queries';
import { dayIn } from '../words/days';
import { elapsedS, type Answer, type Ended, type Hold } from './hold';
import { useHand } from './useHand';
import { useHold } from './useHold';
import { useWakeLock } from './useWakeLock';

const none: KeptRep[] = [];

/** How often a hold under way is noted: what a dead battery may cost of its time. */
const noteEveryMs = 500;

/** Everything the recorder's views draw, and what their buttons do. */
export function useRecorder() {
  const { horseId = '', skill = '', rung = 'stand' } = useParams();
  const level = useMemo(() => ({ skill, rung }), [skill, rung]);
  const { time_zone } = useWho();
  const { db, keeper, storage, kick } = useQueue();
  const navigate = useNavigate();
  const [hand, setHand] = useHand(horseId);
  const horse = useQuery(horseQuery(horseId));
  const judged = useQuery(levelQuery({ horseId, ...level }));
  useWakeLock();
  useTakenAlong(horseId);

  const ride = useLiveQuery(() => goingRide(db, horseId), [db, horseId]);
  const kept = useLiveQuery(() => repsOf(db, ride?.rideId, level), [db, ride?.rideId, level]);
  const questions = useLiveQuery(
    () => db.holds.filter((hold) => hold.horseId === horseId && hold.cutOff).count(),
    [db, horseId],
  );
  const unsaved = useSyncExternalStore(keeper.subscribe, keeper.unsaved);
  useStayWhile(unsaved.length > 0);

  const levelName = judged.data?.level.name ?? `${skill}, ${rung}`;
  const horseName = horse.data?.name ?? ride?.horseName ?? '';
  const holding = {
    onPressed: ({ repId, side, pressedAt }: Hold) => {
      const page = thisPage;
      const askedAt = wallTime(pressedAt).toISOString();
      const hold = { repId, horseId, horseName, ...level, levelName, side, hand, askedAt, page };
      // A press that cannot be kept is said at its release: the ask cannot be kept either.
      keepHold(db, { ...hold, heldS: 0, cutOff: false }).catch((error: unknown) =>
        console.error(error),
      );
    },
    onEnded: ({ repId, side, pressedAt, time_s, answer }: Ended) => {
      navigator.vibrate?.(25);
      void keeper.keep(
        { horseId, horseName, day: dayIn(time_zone) },
        {
          repId,
          level,
          side,
          askedAt: wallTime(pressedAt),
          agoMs: performance.now() - pressedAt,
          measure: { kind: 'give', hand, time_s, answer },
        },
      );
    },
    onNoAsk: ({ repId }: Hold) => void forgetHold(db, repId),
    onCutOff: ({ repId, time_s }: Ended) => void cutOff(db, repId, time_s),
  };
  const { hold, half } = useHold(holding, storage === 'ready');
  useNoted(db, hold);
  useSoft(db, kept ?? none, judged.data);

  const reps = useMemo(
    () => [...(kept ?? []), ...unsaved.map(asRep)].filter((rep) => !rep.undone),
    [kept, unsaved],
  );
  const last = reps.at(-1);
  const takenBack = lastTakenBack(kept ?? [], last);
  const setLastUndone = async (rep: KeptRep | undefined, undone: boolean) => {
    if (!rep) return;
    await setUndone(db, rep.repId, undone);
    kick();
  };
  const change = async (answer: Answer) => {
    if (!last) return;
    await changeAnswer(db, last, answer);
    kick();
  };
  const finishRide = async () => {
    if (ride) await finish(db, ride.rideId);
    kick();
    await navigate(ride ? `/rides/${ride.rideId}` : '/', { replace: true });
  };

  return {
    horseName,
    name: levelName,
    longestSoftS: judged.data?.level.longest_soft_s,
    storage,
    reps,
    last,
    takenBack,
    unsaved: unsaved.length,
    retry: () => void keeper.retry(),
    /** Holds of this horse whose answer is still to be said. */
    questions: questions ?? 0,
    hold,
    half,
    hand,
    setHand,
    undo: () => setLastUndone(last, true),
    bringBack: () => setLastUndone(takenBack, false),
    change,
    finishRide,
  };
}

export type Recorder = ReturnType<typeof useRecorder>;

/** Fetches what the horse is judged by while there is signal, once a ride is begun. */
function useTakenAlong(horseId: string) {
  const queries = useQueryClient();
  useEffect(() => {
    startCore();
    void queries.prefetchQuery(packQuery(horseId));
  }, [queries, horseId]);
}

/** The ride's reps of one level, in the order of asking. */
async function repsOf(
  db: KeptDatabase,
  rideId: string | undefined,
  { skill, rung }: { skill: string; rung: string },
): Promise<KeptRep[]> {
  if (!rideId) return [];
  const reps = await db.reps.where('rideId').equals(rideId).toArray();
  return reps
    .filter((rep) => rep.skill === skill && rep.rung === rung)
    .sort((a, b) => a.askedAfterMs - b.askedAfterMs || a.sequence - b.sequence);
}

/** The ask that was taken back last, when nothing came after it. */
function lastTakenBack(kept: KeptRep[], last: KeptRep | undefined): KeptRep | undefined {
  const latest = kept.filter((rep) => rep.undone && !replaced(rep, kept)).at(-1);
  return latest && (!last || latest.askedAfterMs > last.askedAfterMs) ? latest : undefined;
}

/** An ask whose answer was changed stands again under another id. */
const replaced = (rep: KeptRep, kept: KeptRep[]) =>
  kept.some((other) => !other.undone && other.sequence === rep.sequence);

/** An ask that is in memory only, as it is drawn. */
function asRep({ ask }: Unsaved): KeptRep {
  return {
    repId: ask.repId,
    rideId: '',
    blockId: '',
    ...ask.level,
    side: ask.side,
    sequence: Number.MAX_SAFE_INTEGER,
    askedAfterMs: Number.MAX_SAFE_INTEGER,
    askedAt: ask.askedAt.toISOString(),
    measure: ask.measure,
    undone: false,
    changes: 0,
    state: 'waiting',
    version: 0,
  };
}

/** Notes how long a hold has lasted while it lasts. */
function useNoted(db: KeptDatabase, hold: Hold | null) {
  useEffect(() => {
    if (!hold) return;
    const note = () => {
      const heldS = Math.round(elapsedS(hold, performance.now()) * 100) / 100;
      holdsOn(db, hold.repId, heldS).catch((error: unknown) => console.error(error));
    };
    const every = setInterval(note, noteEveryMs);
    return () => clearInterval(every);
  }, [db, hold]);
}

/** The browser asks before it closes a page that holds something in memory only. */
function useStayWhile(stay: boolean) {
  useEffect(() => {
    if (!stay) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [stay]);
}

/** Event times count from the page's start; a rep needs the time of day. */
function wallTime(eventTime: number): Date {
  return new Date(Date.now() - (performance.now() - eventTime));
}
