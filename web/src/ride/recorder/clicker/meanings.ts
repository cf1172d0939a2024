import type { Face, Set, Side } from '../faces';
import { answerKey } from '../keys';
import type { MeasureKind } from '../../../base/words/measures';

/** What a press does on a face, as the recorder's own keys say it: the first that is on screen. */
export interface Meaning {
  keys: string[];
  does: string;
}

export interface Meanings {
  /** What a hold times; none where nothing is held. */
  hold?: Meaning;
  short: Meaning;
  double: Meaning;
}

interface Shown {
  face: Face;
  set: Set;
  measure: MeasureKind | undefined;
}

const sideKey: Record<Side, string> = { left: 'f', right: 'j', both: 'b' };
const first = (side: Side) => answerKey(side, 0) ?? '';
const second = (side: Side) => answerKey(side, 1) ?? '';

/** Three short presses, on every face. */
export const undo: Meaning = { keys: ['u'], does: 'undo' };

/** What the presses of one button say of one side. */
export function meaningsOf({ face, set, measure }: Shown, side: Side): Meanings {
  if (face.how === 'hold') {
    const [late, not] = [face.zones[0], face.zones[1]];
    const zone = (at: typeof late): Meaning => ({
      keys: [at?.key ?? ''],
      does: (at?.label ?? '').toLowerCase(),
    });
    const isGive = face.zones.some(({ id }) => id === 'did_not_give');
    return {
      hold: { keys: [sideKey[side]], does: face.letGo },
      short: zone(isGive ? not : late),
      double: zone(isGive ? late : not),
    };
  }
  if (face.how === 'tap') {
    const [common, other] = face.choices(set);
    return {
      short: { keys: [first(side)], does: (common?.label ?? '').toLowerCase() },
      double: { keys: [second(side)], does: (other?.label ?? '').toLowerCase() },
    };
  }
  const running: Partial<Record<MeasureKind, Meanings>> = {
    circle: {
      short: { keys: [first(side)], does: 'circle done' },
      double: { keys: [second(side)], does: 'nose up' },
    },
    carry: {
      short: { keys: ['l', sideKey[side]], does: 'start; then each time: left it' },
      double: { keys: ['e'], does: 'end it here' },
    },
    calm: {
      short: { keys: [first(side)], does: 'relaxed through' },
      double: { keys: [second(side)], does: 'not relaxed' },
    },
  };
  return (
    (measure && running[measure]) ?? {
      short: { keys: ['t'], does: 'start and stop the clock' },
      double: { keys: ['s'], does: 'save the run' },
    }
  );
}
