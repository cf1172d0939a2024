/**
 * Time in a ride. A device's wall clock runs wrong and is set while people ride;
 * its steady clock only runs forward, but stands still while the device sleeps and
 * ends with the page. Together they tell how long after the start something was.
 */

export interface Clocks {
  /** Milliseconds since 1970, as the device believes. */
  wall: () => number;
  /** Milliseconds since the page began. */
  steady: () => number;
}

export const deviceClocks: Clocks = { wall: () => Date.now(), steady: () => performance.now() };

/** A wall clock that runs ahead by more than this while the page stood was set, not slept through. */
export const longestSleepMs = 6 * 3_600_000;
/** Smaller differences are the clocks' own unevenness. */
const unevenMs = 1_500;

/** What a ride remembers of its time. */
export interface RideTime {
  lastMs: number;
  lastWall: number;
}

/** Between two looks at the clocks: what passed, and by how much the wall clock was set. */
export interface Passed {
  ms: number;
  setForwardMs: number;
}

/** What passed on a page that goes on: the steady clock, and sleep that the wall clock saw. */
export function passed(steadyMs: number, wallMs: number): Passed {
  const apart = wallMs - steadyMs;
  if (Math.abs(apart) <= unevenMs) return { ms: steadyMs, setForwardMs: 0 };
  if (apart > 0 && apart <= longestSleepMs) return { ms: wallMs, setForwardMs: 0 };
  return { ms: steadyMs, setForwardMs: apart };
}

/** What passed while no page was there: the wall clock's word, where it can be so. */
export function passedWithoutPage(wallMs: number): Passed {
  if (wallMs >= 0 && wallMs <= longestSleepMs * 4) return { ms: wallMs, setForwardMs: 0 };
  return { ms: 0, setForwardMs: wallMs };
}

/** The time of one open page: follows its clocks, and tells what was set. */
export class PageClock {
  private steadyAt: number;
  private wallAt: number;
  /** Milliseconds that the page knows to have passed since it began. */
  private run = 0;

  constructor(private readonly clocks: Clocks = deviceClocks) {
    this.steadyAt = clocks.steady();
    this.wallAt = clocks.wall();
  }

  wall(): number {
    return this.clocks.wall();
  }

  /** Time since the page began; by how much the wall clock was set since the last look. */
  look(): { run: number; setForwardMs: number } {
    const [steady, wall] = [this.clocks.steady(), this.clocks.wall()];
    const { ms, setForwardMs } = passed(steady - this.steadyAt, wall - this.wallAt);
    this.run += Math.max(0, ms);
    this.steadyAt = steady;
    this.wallAt = wall;
    return { run: this.run, setForwardMs };
  }

  /** How long ago an event was, by the steady clock. */
  ago(eventTime: number): number {
    return Math.max(0, this.clocks.steady() - eventTime);
  }
}

/** The time of rides on one page: each ride's own milliseconds, always forward. */
export class RideClock {
  private readonly anchors = new Map<string, { run: number; ms: number }>();

  constructor(readonly page: PageClock = new PageClock()) {}

  /** Whether this page has followed the ride's time. */
  follows(rideId: string): boolean {
    return this.anchors.has(rideId);
  }

  /**
   * Milliseconds from the ride's start to something `agoMs` ago, and by how many
   * seconds the wall clock was set meanwhile. Never before `atLeast`: what happened
   * last, unless something earlier is told later.
   */
  after(
    rideId: string,
    time: RideTime,
    agoMs = 0,
    atLeast = time.lastMs + 1,
  ): { ms: number; setForwardS: number } {
    const { run, setForwardMs } = this.page.look();
    const known = this.anchors.get(rideId);
    let set = setForwardMs;
    let anchor = known;
    if (!anchor) {
      const away = passedWithoutPage(this.page.wall() - time.lastWall);
      anchor = { run, ms: time.lastMs + away.ms };
      set += away.setForwardMs;
      this.anchors.set(rideId, anchor);
    }
    const ms = Math.round(anchor.ms + (run - anchor.run) - agoMs);
    return { ms: Math.max(ms, atLeast), setForwardS: set / 1000 };
  }

  /** A ride that begins now, or began `agoMs` ago. */
  begin(rideId: string, agoMs = 0): void {
    const { run } = this.page.look();
    this.anchors.set(rideId, { run, ms: agoMs });
  }
}
