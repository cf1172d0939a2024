import { afterEach, describe, expect, test } from 'vitest';
import { byGauge, gaugeIsHeard, gaugeListens } from '../src/ride/devices/gaugeNow';
import { wrongAddress } from '../src/ride/devices/paired';
import type { Measure } from '../src/base/words/measures';

const held = { side: 'left', pressedAt: 1_000, releasedAt: 2_400 } as const;
const give = (answer: string) =>
  ({ kind: 'give', hand: 'fingertip', time_s: 1.4, answer }) as Measure;
const pulled = { hand: 'closed_hand', time_to_give_s: 1.2345 } as const;

afterEach(() => gaugeListens(null));

describe('what is held is filled in by the gauge', () => {
  test('a give has the hand and the time of the gauge', async () => {
    gaugeListens(() => Promise.resolve(pulled));
    expect(gaugeIsHeard()).toBe(true);
    expect(await byGauge(give('gave'), held)).toEqual({
      kind: 'give',
      hand: 'closed_hand',
      time_s: 1.23,
      answer: 'gave',
    });
    expect(await byGauge(give('late'), held)).toMatchObject({ time_s: 1.23, answer: 'late' });
  });

  test('how long it was asked in vain is for the rider to say', async () => {
    gaugeListens(() => Promise.resolve(pulled));
    expect(await byGauge(give('did_not_give'), held)).toMatchObject({
      hand: 'closed_hand',
      time_s: 1.4,
    });
  });

  test('the thumb stands where the gauge found nothing, broke, or is not there', async () => {
    const said = give('gave');
    expect(gaugeIsHeard()).toBe(false);
    expect(await byGauge(said, held)).toBe(said);
    gaugeListens(() => Promise.resolve(null));
    expect(await byGauge(said, held)).toBe(said);
    gaugeListens(() => Promise.reject(new Error('the core broke')));
    expect(await byGauge(said, held)).toBe(said);
  });

  test('nothing but a give is touched', async () => {
    gaugeListens(() => Promise.resolve(pulled));
    const stop = { kind: 'count', count: 3 } as Measure;
    expect(await byGauge(stop, held)).toBe(stop);
  });
});

test.each([
  ['ws://127.0.0.1:7430/gauge', undefined],
  ['ws://localhost:9/', undefined],
  ['ws://192.168.1.7/gauge', 'Must be on this device: 127.0.0.1 or localhost'],
  ['http://127.0.0.1/gauge', 'Must begin with ws://'],
  ['gauge', 'Must be an address such as ws://127.0.0.1:7430/gauge'],
])('the address %s', (address, wrong) => {
  expect(wrongAddress(address)).toBe(wrong);
});
