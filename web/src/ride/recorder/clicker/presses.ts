/**
 * What presses of a small remote mean: one to three short ones, or a hold. Pure; times
 * are milliseconds of one clock.
 */

/** A button as the remote types it. */
export interface Button {
  /** What the key is called by the browser. */
  key: string;
  /** It says when it is let go; one that does not is pressed to begin and pressed to end. */
  holds: boolean;
  /** It types again and again while it is held: that it stops tells of a lost key-up. */
  repeats: boolean;
}

/** Shorter than this is a short press. */
export const shortMs = 300;
/** A press that follows within this belongs to the one before. */
export const togetherMs = 350;
/** A button that repeats and falls silent for so long was let go, and its key-up was lost. */
export const silentMs = 1_000;
/** Nobody asks for longer than this. */
export const longestMs = 120_000;

export type Said =
  /** The first press of an ask: a rein may be held from now on. */
  | { what: 'down'; at: number }
  /** Held, and let go. */
  | { what: 'held'; at: number }
  /** So many short presses, the last at this time. */
  | { what: 'presses'; count: number; at: number }
  /** Held, and the key-up never came: last heard of, or found out, at this time. */
  | { what: 'lost'; at: number };

export interface State {
  /** When the button went down; null while it is up. */
  downAt: number | null;
  /** When it was heard of last while down. */
  heardAt: number;
  /** Short presses that belong together so far, and when the last ended. */
  count: number;
  lastAt: number;
  /** A button that does not hold was pressed to begin an ask. */
  begunAt: number | null;
}

export const atRest: State = { downAt: null, heardAt: 0, count: 0, lastAt: 0, begunAt: null };

export type Result = [State, Said[]];

/** The button went down, or typed again. */
export function down(state: State, button: Button, at: number, repeat: boolean): Result {
  if (!button.holds) return repeat ? [state, []] : tapped(state, at);
  if (repeat && state.downAt !== null) return [{ ...state, heardAt: at }, []];
  if (repeat) return [state, []];
  // Down again without having come up: the key-up between them was lost.
  const heard = button.repeats ? state.heardAt : at;
  const lost: Said[] = state.downAt === null ? [] : [{ what: 'lost', at: heard }];
  const before = lost.length > 0 ? atRest : state;
  const first: Said[] = before.count === 0 ? [{ what: 'down', at }] : [];
  return [{ ...before, downAt: at, heardAt: at }, [...lost, ...first]];
}

/** The button came up. */
export function up(state: State, button: Button, at: number): Result {
  if (!button.holds || state.downAt === null) return [state, []];
  const isShort = at - state.downAt < shortMs;
  if (isShort || state.count > 0)
    return [{ ...state, downAt: null, count: state.count + 1, lastAt: at }, []];
  return [atRest, [{ what: 'held', at }]];
}

/** Time went by: what was pressed is complete, or a key-up is missing. */
export function waited(state: State, button: Button, now: number): Result {
  if (state.downAt !== null) {
    const silent = button.repeats && now - state.heardAt > silentMs + repeatsAfterMs(state);
    if (silent || now - state.downAt > longestMs)
      return [atRest, [{ what: 'lost', at: button.repeats ? state.heardAt : now }]];
    return [state, []];
  }
  if (state.begunAt !== null && state.count === 0 && now - state.begunAt > longestMs)
    return [atRest, [{ what: 'lost', at: now }]];
  if (state.count === 0 || now - state.lastAt <= togetherMs) return [state, []];
  const { count, lastAt: at } = state;
  // One press ends what one press began; more of them say something else.
  if (state.begunAt !== null && count === 1) return [atRest, [{ what: 'held', at }]];
  return [atRest, [{ what: 'presses', count, at }]];
}

/** Keys begin to repeat only after a while. */
const repeatsAfterMs = ({ downAt, heardAt }: State) => (downAt === heardAt ? silentMs : 0);

/** A press of a button that does not say when it is let go. */
function tapped(state: State, at: number): Result {
  if (state.begunAt === null) return [{ ...state, begunAt: at }, [{ what: 'down', at }]];
  // The first is timed when it ends the ask alone.
  const lastAt = state.count === 0 ? at : Math.max(at, state.lastAt);
  return [{ ...state, count: state.count + 1, lastAt }, []];
}
