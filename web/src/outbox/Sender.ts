import { NoSignalError, ProblemError } from '../base/api/client';
import { tryRefusedAgain } from './attention';
import type { KeptDatabase } from './db';
import type { Sent } from './send';

export type SenderState =
  'at rest' | 'sending' | 'no signal' | 'signed out' | 'another person' | 'update' | 'not taken';

const waits = [2_000, 4_000, 8_000, 15_000, 30_000];

/** What a refusal of the whole means. */
function stateOf({ status, problem }: ProblemError): SenderState {
  if (status === 401) return 'signed out';
  if (status === 426) return 'update';
  return problem.type === '/problems/another-person' ? 'another person' : 'not taken';
}

/**
 * Sends what is kept on this device whenever there is something and a signal,
 * one batch at a time; after a failure it waits longer each time.
 */
export class Sender {
  private running = false;
  private again = false;
  private failures = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private ended = false;

  constructor(
    private readonly db: KeptDatabase,
    private readonly personId: string,
    private readonly onState: (state: SenderState, why?: string) => void,
    private readonly onSent: (horseIds: string[]) => void,
  ) {}

  start(): () => void {
    this.ended = false;
    const kick = () => {
      this.failures = 0;
      this.kick();
    };
    window.addEventListener('online', kick);
    document.addEventListener('visibilitychange', kick);
    this.kick();
    return () => {
      this.ended = true;
      clearTimeout(this.timer);
      window.removeEventListener('online', kick);
      document.removeEventListener('visibilitychange', kick);
    };
  }

  /** Something may be waiting. */
  kick(): void {
    if (this.ended) return;
    clearTimeout(this.timer);
    if (this.running) this.again = true;
    else void this.run();
  }

  /** What was refused may be taken now: after an update, or a sign-in. */
  async tryRefusedAgain(): Promise<void> {
    await tryRefusedAgain(this.db);
    this.failures = 0;
    this.kick();
  }

  /** Sends all that can be sent now; how many rows still wait. */
  async sendAll(): Promise<number> {
    while (this.running) await new Promise((next) => setTimeout(next, 50));
    await this.run();
    const waiting = { state: 'waiting' };
    const tables = [this.db.reps, this.db.rides, this.db.coolOuts, this.db.bitChanges];
    const counts = await Promise.all(tables.map((table) => table.where(waiting).count()));
    return counts.reduce((sum, one) => sum + one, 0);
  }

  private async run(): Promise<void> {
    this.running = true;
    try {
      for (;;) {
        this.again = false;
        const { how, horseIds } = await this.sendAlone();
        if (how === 'nothing' && !this.again) break;
        if (how !== 'nothing') this.onSent(horseIds);
      }
      this.failures = 0;
      this.onState('at rest');
    } catch (error) {
      this.waitAfter(error);
    } finally {
      this.running = false;
    }
  }

  /** Two open tabs take turns. */
  private async sendAlone(): Promise<Sent> {
    const send = async () => {
      // Asked for at the start, right after the first page stands: it does not wait for it.
      const { sendWaiting } = await import('./send');
      const sent = await sendWaiting(this.db, this.personId);
      if (sent.how !== 'nothing') this.onState('sending');
      return sent;
    };
    // The lock manager is missing outside secure contexts; uploads are idempotent anyway.
    return 'locks' in navigator ? navigator.locks.request(`send-${this.db.name}`, send) : send();
  }

  private waitAfter(error: unknown): void {
    if (error instanceof ProblemError) {
      this.onState(stateOf(error), error.message);
    } else if (error instanceof NoSignalError) {
      this.onState('no signal');
    } else {
      console.error(error);
      this.onState('not taken', 'sending broke on this device; open the page again');
    }
    const wait = waits[Math.min(this.failures, waits.length - 1)];
    this.failures += 1;
    if (!this.ended) this.timer = setTimeout(() => this.kick(), wait);
  }
}
