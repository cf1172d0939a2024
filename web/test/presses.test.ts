import { describe, expect, it } from 'vitest';
import {
  atRest,
  down,
  longestMs,
  shortMs,
  silentMs,
  togetherMs,
  up,
  waited,
  type Button,
  type Said,
  type State,
} from '../src/ride/recorder/clicker/presses';

/** A remote as it sends: events and silence, on a clock of its own. */
class Remote {
  state: State = atRest;
  now = 1_000;
  said: Said[] = [];

  constructor(readonly button: Button) {}

  private take([state, said]: [State, Said[]]) {
    this.state = state;
    this.said.push(...said);
    return this;
  }
  down = (repeat = false) => this.take(down(this.state, this.button, this.now, repeat));
  up = () => this.take(up(this.state, this.button, this.now));
  /** Time passes; the recorder looks every 50 ms. */
  wait(ms: number) {
    for (const end = this.now + ms; this.now < end;) {
      this.now = Math.min(end, this.now + 50);
      this.take(waited(this.state, this.button, this.now));
    }
    return this;
  }
  press = (ms = 80) => this.down().wait(ms).up();
  what = () => this.said.map((one) => (one.what === 'presses' ? one.count : one.what));
}

const holds: Button = { key: 'PageDown', holds: true, repeats: false };
const repeats: Button = { ...holds, repeats: true };
const taps: Button = { ...holds, holds: false };

describe('a button that says when it is let go', () => {
  it('times a hold from press to release', () => {
    const remote = new Remote(holds).down().wait(1_800).up();
    expect(remote.said).toEqual([
      { what: 'down', at: 1_000 },
      { what: 'held', at: 2_800 },
    ]);
    expect(remote.wait(5_000).what()).toEqual(['down', 'held']);
  });

  it.each([1, 2, 3])('tells %i short presses, once they are complete', (count) => {
    const remote = new Remote(holds);
    for (let press = 0; press < count; press += 1) remote.press().wait(120);
    expect(remote.what()).toEqual(['down']);
    expect(remote.wait(togetherMs).what()).toEqual(['down', count]);
  });

  it('takes a press after a pause for another', () => {
    const remote = new Remote(holds).press().wait(600).press().wait(600);
    expect(remote.what()).toEqual(['down', 1, 'down', 1]);
  });

  it('knows a hold that was almost short', () => {
    expect(new Remote(holds).press(shortMs).wait(600).what()).toEqual(['down', 'held']);
    expect(
      new Remote(holds)
        .press(shortMs - 50)
        .wait(600)
        .what(),
    ).toEqual(['down', 1]);
  });

  it('says that a key-up was lost when it goes down again', () => {
    const remote = new Remote(holds).down().wait(2_000).down().wait(900).up();
    expect(remote.what()).toEqual(['down', 'lost', 'down', 'held']);
    expect(remote.said[1]).toEqual({ what: 'lost', at: 3_000 });
  });

  it('never waits longer than an ask can last', () => {
    const remote = new Remote(holds).down().wait(longestMs + 100);
    expect(remote.what()).toEqual(['down', 'lost']);
    expect(remote.up().wait(600).what()).toEqual(['down', 'lost']);
  });
});

describe('a button that repeats while it is held', () => {
  const held = (remote: Remote, ms: number) => {
    remote.down().wait(500);
    for (const end = remote.now + ms; remote.now < end;) remote.down(true).wait(50);
    return remote;
  };

  it('is held as long as it repeats', () => {
    const remote = held(new Remote(repeats), 2_500).up();
    expect(remote.said).toEqual([
      { what: 'down', at: 1_000 },
      { what: 'held', at: 4_000 },
    ]);
  });

  it('was let go when it fell silent and the key-up never came', () => {
    const remote = held(new Remote(repeats), 1_000);
    const heardAt = remote.now - 50;
    remote.wait(silentMs + 100);
    expect(remote.said.at(-1)).toEqual({ what: 'lost', at: heardAt });
  });

  it('is not lost while it has not begun to repeat', () => {
    expect(new Remote(repeats).down().wait(900).up().what()).toEqual(['down', 'held']);
  });

  it('takes a repeat without a press for nothing', () => {
    expect(new Remote(repeats).down(true).wait(3_000).what()).toEqual([]);
  });
});

describe('a button that does not say when it is let go', () => {
  it('is pressed to begin and pressed to end', () => {
    const remote = new Remote(taps)
      .press()
      .wait(1_500)
      .press()
      .wait(togetherMs + 50);
    expect(remote.said).toEqual([
      { what: 'down', at: 1_000 },
      { what: 'held', at: 2_580 },
    ]);
  });

  it('tells more presses at the end', () => {
    const remote = new Remote(taps).press().wait(1_500).press().wait(100).press().wait(600);
    expect(remote.what()).toEqual(['down', 2]);
  });

  it('ends by itself when nobody ends it', () => {
    expect(
      new Remote(taps)
        .press()
        .wait(longestMs + 100)
        .what(),
    ).toEqual(['down', 'lost']);
  });
});
