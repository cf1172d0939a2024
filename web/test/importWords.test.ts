import { expect, test } from 'vitest';
import type { Read } from '../src/data/imports';
import { madeInWords, readInWords } from '../src/records/imports/words';

const none = { horses: 0, cattle: 0, rides: 0, asks: 0 };

test.each([
  [{ ...none, asks: 1, rides: 1 }, '1 ask in 1 ride'],
  [{ ...none, asks: 40, rides: 2 }, '40 asks in 2 rides'],
  [{ ...none, asks: 2 }, '2 asks'],
  [{ ...none, cattle: 12 }, '12 head of cattle'],
  [{ ...none, horses: 3 }, '3 horses'],
  [none, 'nothing'],
])('what a sheet makes', (made, words) => {
  expect(madeInWords(made)).toBe(words);
});

test('days and horses are said', () => {
  const read = { makes: { ...none, rides: 2 }, of_horses: 1, from: '2026-05-04', to: '2026-05-09' };
  expect(readInWords(read as Read)).toBe('2 rides of 1 horse, May 4 to May 9');
  expect(readInWords({ ...read, to: '2026-05-04' } as Read)).toBe('2 rides of 1 horse, May 4');
});
