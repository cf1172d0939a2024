import { isMetric } from './unitSetting';

/**
 * Lengths and temperatures in the units of the barn. What is stored, sent and reckoned with
 * stays in feet and Fahrenheit; only what is shown and typed changes.
 */

const metersPerFoot = 0.3048;

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** 3 ft, or 0.9 m. */
export const lengthInWords = (feet: number) =>
  isMetric() ? `${round(feet * metersPerFoot, 1)} m` : `${feet} ft`;

/** Several lengths with the unit once: 3, 4, 4 ft. */
export const lengthsInWords = (feet: number[]) =>
  isMetric()
    ? `${feet.map((one) => round(one * metersPerFoot, 1)).join(', ')} m`
    : `${feet.join(', ')} ft`;

export const temperatureUnit = () => (isMetric() ? '°C' : '°F');

/** A temperature as it is shown. */
export const shownTemperature = (fahrenheit: number) =>
  isMetric() ? round(((fahrenheit - 32) * 5) / 9, 1) : fahrenheit;

/** A temperature as it was typed, in Fahrenheit. */
export const fahrenheitOf = (typed: number) =>
  isMetric() ? round((typed * 9) / 5 + 32, 1) : typed;

const kilometersPerMile = 1.609344;

/** A way as long as a ride. */
export const milesInWords = (miles: number) =>
  isMetric()
    ? `${(miles * kilometersPerMile).toFixed(1)} km`
    : `${miles.toFixed(1)} ${miles.toFixed(1) === '1.0' ? 'mile' : 'miles'}`;
