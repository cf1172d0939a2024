import type { Schemas } from '../../../base/api/client';
import type { Measure, MeasureKind } from '../../../base/words/measures';

/**
 * A face of the recorder: how the asks of one measure are said, with a thumb in a
 * glove. What each answer means is written down here; whether it is soft is for the
 * core to say.
 */

export type Side = Schemas['Side'];
export type Asked = Schemas['LevelBrief'];

/** An answer that one touch says. The first of a face is the commonest, and the largest. */
export interface Choice {
  label: string;
  measure: Measure;
}

/** What is set once and holds until it is changed: the hand, the cue, the steps asked. */
export interface Setting {
  id: string;
  /** What it is, as a group of controls is named. */
  name: string;
  /** From the least to the most; each value with its words. */
  values: [value: string, words: string][];
  usual: string;
  /** It goes back to the usual after each ask. */
  once?: boolean;
}

export type Set = Record<string, string>;

/** A face that is tapped: one touch is one ask. */
export interface TapFace {
  how: 'tap';
  settings: (asked: Asked | undefined) => Setting[];
  choices: (set: Set) => Choice[];
}

/** Somewhere that a hold can be slid to. */
export interface HoldZone {
  id: string;
  label: string;
  /** The key that says it while the ask is held by a key. */
  key: string;
  wide?: boolean;
}

/** A face that is held: the hold is the time. */
export interface HoldFace {
  how: 'hold';
  settings: (asked: Asked | undefined) => Setting[];
  zones: HoldZone[];
  /** What letting go on the half itself says. */
  letGo: string;
  /** What is held, where both sides are asked at once. */
  both: string;
  /** What is said of an ask before the first. */
  begin: string;
  /** The answer of a hold: `gave` on the half itself, or the zone it was slid to. */
  measure: (answer: string, time_s: number, set: Set) => Measure;
  /** Answers that no slide reaches, to choose from afterwards. */
  more: { id: string; label: string }[];
}

/** A face with something running: a clock, a count of nose-ups. */
export interface RunningFace {
  how: 'run';
  settings: (asked: Asked | undefined) => Setting[];
}

export type Face = TapFace | HoldFace | RunningFace;

export const none = () => [];

/** A setting that counts. */
export const counted = (
  id: string,
  name: string,
  [least, most]: [number, number],
  usual: number,
  words: (many: number) => string,
  once = false,
): Setting => ({
  id,
  name,
  values: Array.from({ length: most - least + 1 }, (_, index) => [
    String(least + index),
    words(least + index),
  ]),
  usual: String(usual),
  once,
});

export const numberOf = (set: Set, id: string) => Number(set[id]);

export type { Measure, MeasureKind };
