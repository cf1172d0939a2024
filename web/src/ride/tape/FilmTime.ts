/** A frame as it was shown. */
interface Shown {
  /** When it came on the screen, by the page's clock, in milliseconds. */
  at: number;
  /** Where in the film it begins, in seconds. */
  filmS: number;
}

const mostKept = 240;
/** Closer than any two frames. */
const sameS = 0.0005;

/** Which frame of a film was on the screen when: what a hand saw at the moment it pressed. */
export class FilmTime {
  private frames: Shown[] = [];
  /** The frame that was asked for and is not on yet. */
  private wanted: number | null = null;
  private readonly listeners = new Set<() => void>();

  /** Asks for the frame that begins then: further steps count from it. */
  want(filmS: number | null): void {
    this.wanted = filmS;
  }

  /** The frame that is on, or that was asked for: where the next step begins. */
  from(): number {
    return this.wanted ?? this.now();
  }

  /** A frame comes on the screen. */
  show(at: number, filmS: number): void {
    if (this.wanted !== null && Math.abs(this.wanted - filmS) < sameS) this.wanted = null;
    // A frame may be announced before it is on; a later word about the same one changes nothing.
    if (this.frames.at(-1)?.filmS === filmS) return;
    this.frames.push({ at, filmS });
    if (this.frames.length > mostKept) this.frames.splice(0, this.frames.length - mostKept);
    for (const listener of this.listeners) listener();
  }

  /** The frame that is on now, or comes next: where it begins, in seconds. */
  readonly now = (): number => this.frames.at(-1)?.filmS ?? 0;

  /** The frame that was on at a moment of the page's clock. */
  at(moment: number): number {
    const before = this.frames.findLast((frame) => frame.at <= moment);
    return (before ?? this.frames[0])?.filmS ?? 0;
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}
