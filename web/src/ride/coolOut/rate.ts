/** A rate a minute from taps. */

/** After so long without a tap a new count begins. */
const pauseMs = 8_000;
/** Fewer taps say nothing. */
const leastTaps = 5;

export const rateOf = {
  /** The taps with one more. */
  add: (taps: number[], at: number): number[] =>
    at - (taps.at(-1) ?? at) > pauseMs ? [at] : [...taps, at],

  /** Beats a minute; none until there are enough. */
  rate: (taps: number[]): number | undefined => {
    const [first] = taps;
    const last = taps.at(-1);
    if (first === undefined || last === undefined || taps.length < leastTaps) return undefined;
    return last > first ? Math.round(((taps.length - 1) * 60_000) / (last - first)) : undefined;
  },
};
