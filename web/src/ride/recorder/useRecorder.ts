import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { useNavigate, useParams } from 'react-router';
import { useSoft } from '../../offline/useSoft';
import type { KeptDatabase, KeptRep } from '../../outbox/db';
import { changeAnswer, finish, goingRide, setUndone } from '../../outbox/keep';
import { atFlag } from '../../cattle/flag/flagNow';
import type { Unsaved } from '../../outbox/Keeper';
import { useQueue } from '../../outbox/queue';
import { horseQuery } from '../../data/today';
import type { Measure } from '../../base/words/measures';
import { beingWritten } from './beingWritten';
import { faceOf, type Side } from './faces';
import { useAsking } from './useAsking';
import { useAsked } from './useAsked';
import { budgetMin, useCardParts, type CardPart } from './useCardParts';
import { useOthers } from './useOthers';
import { useElsewhere } from './useElsewhere';
import { useIntake } from './useIntake';
import { useBrake } from './useBrake';
import { useQuit } from './useQuit';
import { useRig } from './useRig';
import { useSettings } from './useSettings';
import { useTakenAlong } from '../../offline/useTakenAlong';
import { useWhoIsThere } from './useWhoIsThere';
import { useWakeLock } from './useWakeLock';

const none: KeptRep[] = [];
const noParts: CardPart[] = [];

const apart: Side[] = ['left', 'right'];
const together: Side[] = ['both'];

/** Everything the recorder's views draw, and what their buttons do. */
export function useRecorder() {
  const { horseId = '', skill = '', rung = 'stand' } = useParams();
  const level = useMemo(() => ({ skill, rung }), [skill, rung]);
  const { db, keeper, storage, kick } = useQueue();
  const navigate = useNavigate();
  const horse = useQuery(horseQuery(horseId));
  const { asked, looking } = useAsked(horseId, level);
  const face = faceOf(asked?.level);
  const sides = asked?.level.sides === 'both' ? together : apart;
  const { settings, set, put, settle } = useSettings(horseId, face, asked?.level);
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
  const justMade = useSyncExternalStore(keeper.subscribe, keeper.justMade);
  useEffect(() => keeper.seen((kept ?? []).map(({ repId }) => repId)), [keeper, kept]);

  const levelName = asked?.level.name ?? `${skill}, ${rung}`;
  const horseName = horse.data?.name ?? ride?.horseName ?? '';
  const {
    record: say,
    holding,
    filling,
  } = useAsking({
    horse: { horseId, horseName },
    level: { ...level, levelName },
    face,
    set,
    onAsked: settle,
  });
  const record = (side: Side, measure: Measure) =>
    say(side, asked?.level.roles.includes('flag') ? atFlag(measure) : measure);
  useSoft(db, kept ?? none, asked);

  const own = useMemo(
    () =>
      [
        ...(kept ?? []),
        ...justMade.filter(isHere(horseId, level, kept ?? none)).map(asBeingWritten),
        ...unsaved.map(asRep),
      ].filter((rep) => !rep.undone),
    [kept, unsaved, justMade, horseId, level],
  );
  const others = useOthers(horseId, level, ride, kept ?? none);
  const reps = useMemo(
    () => (others.length > 0 ? [...own, ...others].sort(inOrder) : own),
    [own, others],
  );
  const elsewhere = useElsewhere(ride);
  const worn = useRig(horseId, ride?.rideId);
  const intake = useIntake(horseId, ride);
  const parts = useCardParts(horseId, ride);
  const whoIsThere = useWhoIsThere(horseId, parts, level);
  const quit = useQuit({
    horseId,
    budgetMin: budgetMin(parts, level),
    level,
    ride,
    reps,
    state: asked?.state,
    sex: horse.data?.sex,
  });
  const brake = useBrake(horseId, level, ride);
  const last = own.at(-1);
  const takenBack = lastTakenBack(kept ?? [], last);
  const setLastUndone = async (rep: KeptRep | undefined, undone: boolean) => {
    if (!rep) return;
    await keeper.written();
    await setUndone(db, rep.repId, undone);
    kick();
  };
  const change = async (measure: Measure) => {
    if (!last) return;
    await keeper.written();
    const written = await db.reps.get(last.repId);
    if (written) await changeAnswer(db, written, measure);
    kick();
  };
  const finishRide = async () => {
    await keeper.written();
    if (ride) await finish(db, ride.rideId);
    kick();
    await navigate(ride ? `/rides/${ride.rideId}` : '/', { replace: true });
  };

  return {
    horseName,
    name: levelName,
    /** Names what is asked, for what is running in a face. */
    of: `${horseId}.${skill}.${rung}`,
    horseId,
    /** What the horse wears, and why this rider may not start in it. */
    worn,
    rideId: ride?.rideId,
    /** What other devices did with the ride. */
    elsewhere,
    level,
    /** The intake it is part of; none for any other ride. */
    intake,
    /** The parts of the card the ride goes by; an intake goes by none. */
    parts: intake ? noParts : parts,
    /** Who has to be said to be there; null where nothing is asked. */
    whoIsThere,
    asked: asked?.level,
    /** How the level is asked is being found out. */
    looking,
    quit,
    brake,
    face,
    sides,
    settings,
    set,
    put,
    longestSoftS: asked?.level.longest_soft_s,
    storage,
    reps,
    last,
    takenBack,
    unsaved: unsaved.length,
    retry: () => void keeper.retry(),
    /** Holds of this horse whose answer is still to be said. */
    questions: questions ?? 0,
    holding,
    /** An ask waits for what the gauge says of it: it is neither taken back nor left yet. */
    filling,
    record,
    undo: () => setLastUndone(last, true),
    bringBack: () => setLastUndone(takenBack, false),
    change,
    finishRide,
    /** The page shows the pen: cattle are worked, or were left for dry work. */
    atPen: asked?.level.measure === 'turn' || parts.some(({ added }) => added),
  };
}

export type Recorder = ReturnType<typeof useRecorder>;

/** What the faces need of it; a ride that is logged from a film has as much. */
export type FaceRecorder = Pick<
  Recorder,
  | 'of'
  | 'asked'
  | 'looking'
  | 'face'
  | 'sides'
  | 'settings'
  | 'set'
  | 'put'
  | 'longestSoftS'
  | 'storage'
  | 'reps'
  | 'record'
  | 'holding'
> &
  Partial<Pick<Recorder, 'atPen'>>;

/** The ride's reps of one level, in the order of asking. */
async function repsOf(
  db: KeptDatabase,
  rideId: string | undefined,
  { skill, rung }: { skill: string; rung: string },
): Promise<KeptRep[]> {
  if (!rideId) return [];
  const reps = await db.reps.where('rideId').equals(rideId).toArray();
  return reps.filter((rep) => rep.skill === skill && rep.rung === rung).sort(inOrder);
}

const inOrder = (a: KeptRep, b: KeptRep) =>
  a.askedAfterMs - b.askedAfterMs || a.sequence - b.sequence;

/** The ask that was taken back last, when nothing came after it. */
function lastTakenBack(kept: KeptRep[], last: KeptRep | undefined): KeptRep | undefined {
  const latest = kept.filter((rep) => rep.undone && !replaced(rep, kept)).at(-1);
  return latest && (!last || latest.askedAfterMs > last.askedAfterMs) ? latest : undefined;
}

/** An ask whose answer was changed stands again under another id. */
const replaced = (rep: KeptRep, kept: KeptRep[]) =>
  kept.some((other) => !other.undone && other.sequence === rep.sequence);

/** An ask of this horse and level that the storage does not show yet. */
const isHere =
  (horseId: string, { skill, rung }: { skill: string; rung: string }, kept: KeptRep[]) =>
  ({ mount, ask }: Unsaved) =>
    mount.horseId === horseId &&
    ask.level.skill === skill &&
    ask.level.rung === rung &&
    !kept.some(({ repId }) => repId === ask.repId);

const asBeingWritten = (made: Unsaved): KeptRep => ({ ...asRep(made), version: beingWritten });

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

/** The browser asks before it closes a page that holds something in memory only. */
function useStayWhile(stay: boolean) {
  useEffect(() => {
    if (!stay) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [stay]);
}
