import { expect, test } from 'vitest';
import { clearanceInWords, hoursInWords } from '../src/barn/people/inWords';
import { nobody, presentInWords, suggestedSignIn } from '../src/base/words/people';

const hours = (weekday: number, from = '07:00:00', to = '15:00:00') => ({
  weekday,
  from,
  to,
  most_horses: 6,
});

test('days in a row with the same hours are one stretch', () => {
  expect(hoursInWords([])).toBe('No hours set.');
  expect(hoursInWords([1, 2, 3, 4, 5].map((day) => hours(day)))).toBe(
    'Mon to Fri 7:00 AM to 3:00 PM.',
  );
  expect(hoursInWords([hours(1), hours(2), hours(4), hours(6, '08:00:00', '12:00:00')])).toBe(
    'Mon and Tue, Thu 7:00 AM to 3:00 PM; Sat 8:00 AM to 12:00 PM.',
  );
});

test('a clearance reads as a trainer would say it', () => {
  const all = ['halter', 'snaffle', 'bosal', 'shank', 'two_rein'] as const;
  expect(
    clearanceInWords({ only_horses: null, rigs: [...all], cattle: true, first_rides: true }),
  ).toBe('Rides every horse in anything; cattle, first rides.');
  expect(
    clearanceInWords({ only_horses: ['a'], rigs: ['snaffle'], cattle: false, first_rides: false }),
  ).toBe('Rides 1 horse in snaffle; no cattle, no first rides.');
  expect(clearanceInWords({ only_horses: [], rigs: [], cattle: false, first_rides: false })).toBe(
    'Rides 0 horses in no headgear yet; no cattle, no first rides.',
  );
});

test('a name suggests a username that the server takes', () => {
  expect(suggestedSignIn('Juna Weatherby')).toBe('juna');
  expect(suggestedSignIn('  Élodie')).toBe('elodie');
  expect(suggestedSignIn("O'Dell Krantzen")).toBe('odell');
  expect(suggestedSignIn('')).toBe('');
});

test('who was there', () => {
  expect(presentInWords('Pia Corwin')).toBe('There: Pia Corwin.');
  expect(presentInWords(nobody)).toBe('Nobody else was there.');
});
