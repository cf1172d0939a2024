import { useLiveQuery } from 'dexie-react-hooks';
import { useRef } from 'react';
import { useSoft } from '../../offline/useSoft';
import type { KeptRep } from '../../outbox/db';
import { keepFromTape, type TapedRide } from '../../outbox/fromTape';
import { setUndone } from '../../outbox/keep';
import { useQueue } from '../../outbox/queue';
import { faceOf, type Side } from '../recorder/faces';
import { onHalf } from '../recorder/hold';
import { useAsked } from '../recorder/useAsked';
import type { FaceRecorder } from '../recorder/useRecorder';
import { useSettings } from '../recorder/useSettings';
import type { Measure } from '../../base/words/measures';

const none: KeptRep[] = [];
const apart: Side[] = ['left', 'right'];
const together: Side[] = ['both'];
/** A second touch of one side within this is a bounce, not another ask. */
const bounceMs = 300;

interface What {
  /** Null until who rides and when are known. */
  ride: TapedRide | null;
  horseId: string;
  level: { skill: string; rung: string };
  /** Where in the film it is, in milliseconds. */
  filmMs: () => number;
}

/** The recorder's faces beside a film: what they say is an ask at that moment of the film. */
export function useTapeRecorder({ ride, horseId, level, filmMs }: What) {
  const { db, storage, kick } = useQueue();
  const { asked, looking } = useAsked(horseId, level);
  const face = faceOf(asked?.level);
  const { settings, set, put, settle } = useSettings(horseId, face, asked?.level);
  const rideId = ride?.rideId;
  const all = useLiveQuery(
    async () => (rideId ? (await db.reps.where({ rideId }).toArray()).sort(inOrder) : none),
    [db, rideId],
  );
  const standing = (all ?? none).filter((rep) => !rep.undone);
  const reps = standing.filter(({ skill, rung }) => skill === level.skill && rung === level.rung);
  useSoft(db, reps, asked);
  const touched = useRef<{ side: Side; at: number } | null>(null);
  const keep = (side: Side, measure: Measure, afterMs: number) => {
    if (!ride) return;
    void keepFromTape(db, ride, { level, side, afterMs, measure }).then(kick);
    settle();
  };
  const recorder: FaceRecorder = {
    of: `tape.${rideId}.${level.skill}.${level.rung}`,
    asked: asked?.level,
    looking,
    face,
    sides: asked?.level.sides === 'both' ? together : apart,
    settings,
    set,
    put,
    longestSoftS: asked?.level.longest_soft_s,
    storage: ride ? storage : 'opening',
    reps,
    record: (side, measure) => {
      const at = performance.now();
      const before = touched.current;
      touched.current = { side, at };
      if (before?.side === side && at - before.at < bounceMs) return;
      keep(side, measure, filmMs());
    },
    holding: {
      onPressed: () => undefined,
      onHeld: () => undefined,
      onNoAsk: () => undefined,
      // The film can be shown again: nothing is asked about a hold that was broken off.
      onCutOff: () => undefined,
      onEnded: ({ side, pressedAt, time_s, answer }) => {
        if (face.how !== 'hold') return;
        keep(side, face.measure(answer || onHalf, time_s, set), pressedAt);
      },
    },
  };
  return {
    recorder,
    /** All asks of the film, whatever the level. */
    all: standing,
    undo: async (repId: string) => {
      await setUndone(db, repId, true);
      kick();
    },
  };
}

const inOrder = (a: KeptRep, b: KeptRep) => a.askedAfterMs - b.askedAfterMs;
