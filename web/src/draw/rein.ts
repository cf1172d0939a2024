import type { Schemas } from '../base/api/client';
import { sideWords, type Answer, type Side } from '../base/words/answers';
import { measureInWords, timeOf } from '../base/words/measures';

/** A rep as the rein strip draws it. */
export interface DrawnRep {
  repId: string;
  side: Side;
  measure: Schemas['Measure'];
  /** Decided by the core; unknown while the rep is only on this device. */
  soft: boolean | undefined;
  firstAsk: boolean;
}

/** Pixels from one rep to the next. */
export const rowHeight = 24;

/** What stands nearest to the line, and what furthest from it, in seconds. */
const leastS = 0.25;
const mostS = 8;

/** Distance from the centre line: the longer it took, the further out (log scale). */
export function distanceScale(halfWidth: number) {
  const [nearest, furthest] = [9, halfWidth - 9];
  return (seconds: number) => {
    const along = Math.log(Math.max(seconds, leastS) / leastS) / Math.log(mostS / leastS);
    return nearest + Math.min(1, along) * (furthest - nearest);
  };
}

/** Where an ask that is not timed stands, in seconds: soft near the line, not soft far out. */
const untimed = { soft: 0.7, notSoft: 4 };

/** How far out a rep stands, in seconds. */
export const awayS = (rep: DrawnRep) =>
  timeOf(rep.measure) ?? (rep.soft ? untimed.soft : untimed.notSoft);

const ticks: Partial<Record<Answer, [number, number]>> = {
  evaded_up: [0, -1],
  evaded_down: [0, 1],
  evaded_out: [1, 0],
  evaded_behind: [-1, 0],
  evaded_shoulder: [1, 1],
  evaded_sideways: [1, -1],
  evaded_backed_off: [-1, 1],
};

/** Which way the tick of an evasion points: outward and down are positive. */
export const evasionTick = (answer: Answer) => ticks[answer];

export function repInWords(rep: DrawnRep): string {
  const verdict = rep.soft === undefined ? 'not judged yet' : rep.soft ? 'soft' : 'not soft';
  const first = rep.firstAsk ? ', first ask of the day' : '';
  return `${sideWords[rep.side]}, ${measureInWords(rep.measure)}: ${verdict}${first}`;
}

export function stripInWords(reps: DrawnRep[]): string {
  const side = (which: Side) => {
    const own = reps.filter((rep) => rep.side === which);
    return `${which === 'both' ? 'both sides' : which} ${own.filter((rep) => rep.soft).length} of ${own.length} soft`;
  };
  const both = reps.some((rep) => rep.side === 'both');
  return `Rein strip: ${both ? side('both') : `${side('left')}, ${side('right')}`}`;
}

export function drawn(rep: Schemas['StripRep']): DrawnRep {
  return {
    repId: rep.rep_id,
    side: rep.side,
    measure: rep.measure,
    soft: rep.soft,
    firstAsk: rep.first_ask,
  };
}
