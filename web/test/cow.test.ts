import { describe, expect, it } from 'vitest';
import { byKeys, steeredAt, steeredOn, still, toward } from '../src/cattle/cow/steer';

describe('steering', () => {
  it('goes by the keys that are held; two that are opposed are none', () => {
    expect(byKeys([])).toEqual(still);
    expect(byKeys(['arrowleft', 'w'])).toEqual({ across: -8, up: 8 });
    expect(byKeys(['a', 'd', 'arrowdown'])).toEqual({ across: 0, up: -8 });
    // Two keys for one way are no faster.
    expect(byKeys(['a', 'arrowleft'])).toEqual({ across: -8, up: 0 });
  });

  it('goes to the finger, the faster the further off', () => {
    expect(toward([30, 30], [30, 30])).toEqual(still);
    expect(toward([30, 30], [60, 10])).toEqual({ across: 8, up: -8 });
    expect(toward([30, 30], [33.5, 30])).toEqual({ across: 4, up: 0 });
  });

  it('is kept by how long it was the same, and found again step by step', () => {
    let steered = steeredOn([], still, 2);
    steered = steeredOn(steered, still, 1);
    steered = steeredOn(steered, { across: 8, up: 0 }, 2);
    expect(steered).toEqual([
      { steps: 3, across: 0, up: 0 },
      { steps: 2, across: 8, up: 0 },
    ]);
    expect([0, 2, 3, 4, 5].map((step) => steeredAt(steered, step).across)).toEqual([0, 0, 8, 8, 0]);
  });
});
