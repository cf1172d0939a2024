import { calculate, type Input, type Output } from '../../base/core/core';
import { gaugeListens, type Held, type Pulled } from './gaugeNow';

/** How often what was heard is given to the core. */
const everyMs = 100;
/** How long a hold waits for the gauge to know that the rein was let go. */
const mostWaitMs = 700;
/** A gauge that says nothing for so long is gone. */
const goneMs = 1_000;
/** How soon it is called again. */
const againMs = 1_000;
/** Readings that are drawn: ten seconds. */
const shown = 500;
/** Asks that are kept to be asked for. */
const kept = 20;
/** Readings that tell how the clocks stand. */
const clocks = 100;

export type Reading = Output<'gauge-live'>['readings'][number];
export type Ask = Output<'gauge-live'>['asks'][number];

export interface GaugeState {
  how: 'calling' | 'heard' | 'gone';
  /** The last ten seconds. */
  readings: Reading[];
  /** The last asks, first to last. */
  asks: Ask[];
  missing: number;
  broken: number;
}

/** Nothing of a gauge is known yet. */
export const nothing: GaugeState = {
  how: 'calling',
  readings: [],
  asks: [],
  missing: 0,
  broken: 0,
};

/** A rein gauge, listened to while somebody wants to know of it; lost, it is called again. */
export class GaugeLink {
  private socket: WebSocket | undefined;
  private lines: string[] = [];
  private heard: [number, number][] = [];
  private listener: Input<'gauge-live'>['listener'];
  private lastAt = -Infinity;
  private taking = false;
  private open = false;
  private state = nothing;
  private readonly told = new Set<() => void>();
  private readonly waiting = new Set<() => void>();
  private timer: ReturnType<typeof setInterval> | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly address: string) {}

  readonly subscribe = (tell: () => void) => {
    this.told.add(tell);
    if (!this.open) this.begin();
    return () => {
      this.told.delete(tell);
      if (this.told.size === 0) this.end();
    };
  };

  readonly now = () => this.state;

  private begin() {
    this.open = true;
    this.timer = setInterval(() => void this.take(), everyMs);
    this.call();
  }

  private end() {
    this.open = false;
    clearInterval(this.timer);
    clearTimeout(this.again);
    this.socket?.close();
    gaugeListens(null);
    this.wake();
  }

  private call() {
    if (!this.open) return;
    const socket = new WebSocket(this.address);
    this.socket = socket;
    socket.onmessage = ({ data }: MessageEvent<unknown>) => {
      if (typeof data !== 'string') return;
      this.lastAt = performance.now();
      this.lines.push(data);
      // By the gauge's own clock, the second word of a line; the core reads it.
      const ms = Number(data.split(' ')[1]);
      if (Number.isFinite(ms)) this.heard.push([ms / 1_000, this.lastAt / 1_000]);
      if (this.heard.length > clocks) this.heard.shift();
    };
    socket.onclose = () => {
      if (this.socket !== socket) return;
      this.gone();
      this.again = setTimeout(() => this.call(), againMs);
    };
  }

  /** Gives the core what was heard since. */
  private async take() {
    if (performance.now() - this.lastAt > goneMs && this.state.how === 'heard') this.gone();
    if (this.taking || this.lines.length === 0) return;
    this.taking = true;
    const lines = this.lines.splice(0, 1_000);
    try {
      const said = await calculate('gauge-live', {
        ...(this.listener && { listener: this.listener }),
        lines,
      });
      if (!this.open) return;
      this.listener = said.listener;
      if (said.readings.length > 0) {
        this.put({
          how: 'heard',
          readings: [...this.state.readings, ...said.readings].slice(-shown),
          asks: [...this.state.asks, ...said.asks].slice(-kept),
          missing: said.listener.missing ?? 0,
          broken: said.listener.broken ?? 0,
        });
        gaugeListens((held) => this.askOf(held));
      }
    } catch (error) {
      // Without the core the thumb goes on.
      console.error(error);
    } finally {
      this.taking = false;
      this.wake();
    }
  }

  private gone() {
    // What was under way is not known; a gauge that comes back counts anew.
    this.lines = [];
    this.heard = [];
    this.listener = undefined;
    gaugeListens(null);
    this.put({ ...this.state, how: 'gone', readings: [], asks: [] });
    this.wake();
  }

  private put(state: GaugeState) {
    this.state = state;
    for (const tell of this.told) tell();
  }

  private wake() {
    for (const go of this.waiting) go();
    this.waiting.clear();
  }

  /** The next time something is known. */
  private next(untilMs: number): Promise<void> {
    return new Promise((resolve) => {
      const go = () => {
        clearTimeout(late);
        resolve();
      };
      const late = setTimeout(
        () => {
          this.waiting.delete(go);
          resolve();
        },
        Math.max(0, untilMs - performance.now()),
      );
      this.waiting.add(go);
    });
  }

  private async askOf({ side, pressedAt, releasedAt }: Held): Promise<Pulled | null> {
    const untilMs = performance.now() + mostWaitMs;
    while (this.open && this.state.how === 'heard') {
      const { ask } = await calculate('gauge-hold', {
        asks: this.state.asks,
        heard: this.heard,
        hold: { side, pressed_s: pressedAt / 1_000, released_s: releasedAt / 1_000 },
      });
      if (ask) return ask;
      if (performance.now() >= untilMs) return null;
      await this.next(untilMs);
    }
    return null;
  }
}
