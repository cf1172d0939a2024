import { expect, test } from 'vitest';
import { inTheMiddle, laid } from '../src/ride/track/onPlan';

const track = [
  [0, 0],
  [40, 0],
  [40, 20],
];

test('a track is turned to the left about its first point', () => {
  const [first, second] = laid(track, { at: [10, 5], turned: 90 });
  expect(first).toEqual([10, 5]);
  expect(second!.map((one) => Math.round(one))).toEqual([10, 45]);
});

test('however it is turned, it begins in the middle of the place', () => {
  const outline = [
    [0, 0],
    [100, 0],
    [100, 200],
    [0, 200],
  ];
  for (const turned of [0, 37, 90, -120]) {
    const points = laid(track, inTheMiddle(track, outline, turned));
    const of = (axis: number) => points.map((point) => point[axis]!);
    const half = (axis: number) => (Math.min(...of(axis)) + Math.max(...of(axis))) / 2;
    expect(half(0)).toBeCloseTo(50, 6);
    expect(half(1)).toBeCloseTo(100, 6);
  }
});
