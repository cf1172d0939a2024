import { useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { byGauge, gaugeIsHeard } from '../devices/gaugeNow';
import { cutOff, forgetHold, holdsOn, keepHold, type Level } from '../../outbox/keep';
import { thisPage } from '../../outbox/pages';
import { useQueue } from '../../outbox/queue';
import { useWho } from '../../data/who';
import { dayIn } from '../../base/words/days';
import type { Measure } from '../../base/words/measures';
import type { Face, Set, Side } from './faces';
import { onHalf, type Ended, type Hold } from './hold';
import type { Holding } from './useHold';

/** A second touch of one side within this is a bounce of the glove, not another ask. */
const bounceMs = 300;

interface What {
  horse: { horseId: string; horseName: string };
  level: Level & { levelName: string };
  face: Face;
  set: Set;
  /** An ask was made. */
  onAsked: () => void;
}

/** What a touch or a hold makes of it: an ask, kept on the device. */
export function useAsking({ horse, level, face, set, onAsked }: What) {
  const { time_zone } = useWho();
  const { db, keeper } = useQueue();
  const { skill, rung } = level;
  const keep = (repId: string, side: Side, measure: Measure, pressedAt: number) => {
    navigator.vibrate?.(25);
    void keeper.keep(
      { ...horse, day: dayIn(time_zone) },
      {
        repId,
        level: { skill, rung },
        side,
        askedAt: wallTime(pressedAt),
        agoMs: performance.now() - pressedAt,
        measure,
      },
    );
    onAsked();
  };
  const [filling, setFilling] = useState(0);
  const touched = useRef<{ side: Side; at: number } | null>(null);
  /** An ask that one touch says. */
  const record = (side: Side, measure: Measure) => {
    const at = performance.now();
    const before = touched.current;
    touched.current = { side, at };
    if (before?.side === side && at - before.at < bounceMs) return;
    keep(uuidv7(), side, measure, at);
  };
  const holding: Holding = {
    onPressed: ({ repId, side, pressedAt }: Hold) => {
      const askedAt = wallTime(pressedAt).toISOString();
      const measure = measureOf(face, onHalf, 0, set);
      const hold = { repId, ...horse, ...level, side, measure, askedAt };
      // A press that cannot be kept is said at its release: the ask cannot be kept either.
      keepHold(db, { ...hold, page: thisPage, heldS: 0, cutOff: false }).catch((error: unknown) =>
        console.error(error),
      );
    },
    onHeld: ({ repId }: Hold, heldS: number) => {
      holdsOn(db, repId, heldS).catch((error: unknown) => console.error(error));
    },
    onEnded: ({ repId, side, pressedAt, time_s, answer }: Ended) => {
      const measure = measureOf(face, answer, time_s, set);
      if (!measure) return;
      if (!gaugeIsHeard()) return keep(repId, side, measure, pressedAt);
      // The hold itself is kept until then: a page that closes meanwhile asks for its answer.
      const held = { side, pressedAt, releasedAt: pressedAt + time_s * 1_000 };
      setFilling((many) => many + 1);
      void byGauge(measure, held).then((told) => {
        keep(repId, side, told, pressedAt);
        setFilling((many) => many - 1);
      });
    },
    onNoAsk: ({ repId }: Hold) => void forgetHold(db, repId),
    onCutOff: ({ repId, time_s }: Ended) => void cutOff(db, repId, time_s),
  };
  return {
    record,
    holding,
    /** An ask waits for what the gauge says of it. */
    filling: filling > 0,
  };
}

/** What a hold of the face measured. */
const measureOf = (face: Face, answer: string, time_s: number, set: Set) =>
  face.how === 'hold' ? face.measure(answer, time_s, set) : undefined;

/** Event times count from the page's start; a rep needs the time of day. */
function wallTime(eventTime: number): Date {
  return new Date(Date.now() - (performance.now() - eventTime));
}
