import { useCallback, useState } from 'react';

/** What there was before, now, and what was taken back. */
export interface History<T> {
  past: T[];
  now: T;
  next: T[];
  /** What it was before the drag that goes on. */
  held?: T;
}

const mostSteps = 200;

export const begun = <T>(now: T): History<T> => ({ past: [], now, next: [] });

/** One more step; what was taken back is gone. */
export const stepped = <T>({ past, now }: History<T>, to: T): History<T> => ({
  past: [...past, now].slice(-mostSteps),
  now: to,
  next: [],
});

/** Another moment of a drag. */
export const slid = <T>(history: History<T>, to: T): History<T> => ({
  ...history,
  now: to,
  held: history.held ?? history.now,
});

/** The hand let go: the drag is one step. */
export const letGo = <T>({ held, ...history }: History<T>): History<T> =>
  held === undefined
    ? history
    : { past: [...history.past, held].slice(-mostSteps), now: history.now, next: [] };

export function undone<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return { past: history.past.slice(0, -1), now: before, next: [history.now, ...history.next] };
}

export function redone<T>(history: History<T>): History<T> {
  const [after, ...next] = history.next;
  if (after === undefined) return history;
  return { past: [...history.past, history.now], now: after, next };
}

/**
 * A draft with its steps. While a hand drags, `slide` changes it without a step; the step is the
 * whole drag, taken by `settle`. What it was before the drag is `settled`.
 */
export function useHistory<T>(first: T) {
  const [history, setHistory] = useState<History<T>>(() => begun(first));
  const put = useCallback((to: T) => setHistory((before) => stepped(before, to)), []);
  const slide = useCallback((to: T) => setHistory((before) => slid(before, to)), []);
  const settle = useCallback(() => setHistory(letGo), []);
  const undo = useCallback(() => setHistory(undone), []);
  const redo = useCallback(() => setHistory(redone), []);
  return {
    now: history.now,
    settled: history.held ?? history.now,
    canUndo: history.past.length > 0,
    canRedo: history.next.length > 0,
    put,
    slide,
    settle,
    undo,
    redo,
  };
}
