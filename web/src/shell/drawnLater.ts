/**
 * Parts of a long page are drawn when they come near, and the others one by one while
 * nothing else is to be done, so that no task holds the page up.
 */

const waiting = new Set<() => void>();
let asked = false;

const whenIdle: (run: () => void) => void =
  typeof requestIdleCallback === 'function'
    ? (run) => void requestIdleCallback(run, { timeout: 2_000 })
    : (run) => void setTimeout(run, 50);

function drawNext() {
  asked = false;
  const [next] = waiting;
  if (!next) return;
  waiting.delete(next);
  next();
  askForNext();
}

function askForNext() {
  if (asked || waiting.size === 0) return;
  asked = true;
  whenIdle(drawNext);
}

/** Calls `draw` once, when its turn comes; the returned function takes it out. */
export function inTurn(draw: () => void): () => void {
  waiting.add(draw);
  askForNext();
  return () => {
    waiting.delete(draw);
  };
}
