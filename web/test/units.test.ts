import { afterEach, expect, test } from 'vitest';
import {
  fahrenheitOf,
  lengthInWords,
  lengthsInWords,
  shownTemperature,
  temperatureUnit,
} from '../src/base/words/units';
import { speakIn } from '../src/base/words/unitSetting';

/** Sources: NIST SP 811, appendix B.8 (1 ft = 0.3048 m; °F to °C), from memory. */

afterEach(() => speakIn('us'));

test('feet and Fahrenheit stay as they are', () => {
  speakIn(undefined);
  expect(lengthInWords(4)).toBe('4 ft');
  expect(lengthsInWords([3, 4])).toBe('3, 4 ft');
  expect([shownTemperature(95), fahrenheitOf(95), temperatureUnit()]).toEqual([95, 95, '°F']);
});

test('meters and Celsius are converted both ways', () => {
  speakIn('metric');
  expect(lengthInWords(10)).toBe('3 m');
  expect(lengthInWords(4)).toBe('1.2 m');
  expect(lengthsInWords([3, 5])).toBe('0.9, 1.5 m');
  expect([shownTemperature(32), shownTemperature(212), shownTemperature(-40)]).toEqual([
    0, 100, -40,
  ]);
  expect([fahrenheitOf(0), fahrenheitOf(37.5)]).toEqual([32, 99.5]);
  for (let f = -60; f <= 140; f += 1)
    expect(Math.abs(fahrenheitOf(shownTemperature(f)) - f)).toBeLessThan(0.1001);
});
