import type { KeptDatabase } from './db';
import { keepRep, type Mount, type RecordedAsk } from './keep';

const retryMs = 2_000;
/** A write that takes longer is as good as failed; it is tried again under the same id. */
const mostMs = 6_000;

/** By then what was written is drawn from the storage. */
const seenMs = 2_000;

export interface Unsaved {
  mount: Mount;
  ask: RecordedAsk;
}

/**
 * Writes asks to the device's storage. One that cannot be written is kept in memory,
 * said loudly, and tried again until it is; asks keep their order.
 */
export class Keeper {
  private waiting: Unsaved[] = [];
  private fresh: Unsaved[] = [];
  private listeners = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private writing: Promise<void> = Promise.resolve();
  private began = new Map<string, number>();

  constructor(
    private readonly db: KeptDatabase,
    private readonly onKept: () => void,
    private readonly write: typeof keepRep = keepRep,
  ) {}

  /** Asks that are in memory only. */
  unsaved = (): Unsaved[] => this.waiting;

  /** Asks that are just being written: on screen at once, whatever the storage takes. */
  justMade = (): Unsaved[] => this.fresh;

  /** Resolves when all that was asked so far was tried. */
  written = (): Promise<void> => this.writing;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Keeps an ask; resolves when it was tried. */
  async keep(mount: Mount, ask: RecordedAsk): Promise<void> {
    this.began.set(ask.repId, performance.now() - ask.agoMs);
    this.show([...this.fresh, { mount, ask }]);
    const mine = this.writing.then(async () => {
      const kept = this.waiting.length === 0 && (await this.tried({ mount, ask }));
      if (kept) {
        this.onKept();
        // Who looks at the storage sees it a moment later.
        setTimeout(() => this.seen([ask.repId]), seenMs);
      } else {
        this.seen([ask.repId]);
        this.put([...this.waiting, { mount, ask }]);
      }
    });
    this.writing = mine;
    return mine;
  }

  /** Those asks are drawn from the storage by now. */
  seen(repIds: string[]): void {
    if (this.fresh.some(({ ask }) => repIds.includes(ask.repId)))
      this.show(this.fresh.filter(({ ask }) => !repIds.includes(ask.repId)));
  }

  private show(fresh: Unsaved[]) {
    this.fresh = fresh;
    for (const listener of this.listeners) listener();
  }

  /** Tries again what is in memory only. */
  async retry(): Promise<void> {
    clearTimeout(this.timer);
    this.writing = this.writing.then(async () => {
      while (this.waiting[0]) {
        if (!(await this.tried(this.waiting[0]))) break;
        this.put(this.waiting.slice(1));
        this.onKept();
      }
      this.again();
    });
    return this.writing;
  }

  private async tried({ mount, ask }: Unsaved): Promise<boolean> {
    const agoMs = performance.now() - (this.began.get(ask.repId) ?? performance.now());
    let timer: ReturnType<typeof setTimeout> | undefined;
    const late = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('the device took too long')), mostMs);
    });
    try {
      await Promise.race([this.write(this.db, mount, { ...ask, agoMs }), late]);
      this.began.delete(ask.repId);
      return true;
    } catch (error) {
      console.error(error);
      return false;
    } finally {
      clearTimeout(timer);
    }
  }

  private put(waiting: Unsaved[]) {
    this.waiting = waiting;
    for (const listener of this.listeners) listener();
    this.again();
  }

  private again() {
    clearTimeout(this.timer);
    if (this.waiting.length > 0) this.timer = setTimeout(() => void this.retry(), retryMs);
  }
}
