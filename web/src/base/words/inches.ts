import { isMetric } from './unitSetting';

/**
 * Lengths of tack as a bit maker says them: 4 1/2 in, 7/16 in; where the barn counts metric, in
 * millimeters. What is stored and sent stays in inches.
 */

const mmPerInch = 25.4;
const parts = 16;

/** 4 1/2, 7/16, 2.77: with a fraction where it is one a ruler has. */
function fraction(inches: number): string {
  const sixteenths = Math.round(inches * parts);
  if (Math.abs(inches * parts - sixteenths) > 0.08) return String(Number(inches.toFixed(2)));
  const whole = Math.trunc(sixteenths / parts);
  let [over, under] = [Math.abs(sixteenths % parts), parts];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  if (over === 0) return String(whole);
  const sign = sixteenths < 0 && whole === 0 ? '-' : '';
  return `${sign}${whole === 0 ? '' : `${whole} `}${over}/${under}`;
}

export const inchUnit = () => (isMetric() ? 'mm' : 'in');

/** A length without its unit, as it is typed. */
export const inchesTyped = (inches: number) =>
  isMetric() ? String(Math.round(inches * mmPerInch)) : fraction(inches);

/** A length with its unit. */
export const inchesInWords = (inches: number) => `${inchesTyped(inches)} ${inchUnit()}`;

/** What was typed, in inches: 4.5, 4 1/2, 9/2; null for what is no length. */
export function inchesOf(typed: string): number | null {
  const text = typed.trim().replace(',', '.');
  const found = /^(?:(\d+(?:\.\d+)?|\.\d+)|(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+))$/.exec(text);
  if (!found) return null;
  const [, plain, whole = '0', over = '0', under = '1'] = found;
  if (plain === undefined && Number(under) === 0) return null;
  const value = plain !== undefined ? Number(plain) : Number(whole) + Number(over) / Number(under);
  return isMetric() ? value / mmPerInch : value;
}

const newtonsPerPound = 4.4482216;

/** A force as hands know it: pounds, or newtons. */
export const forceInWords = (pounds: number) =>
  isMetric() ? `${Math.round(pounds * newtonsPerPound)} N` : `${Number(pounds.toFixed(1))} lb`;

/** The pull on a rein, as a gauge measures it. */
export const pullInWords = (newtons: number) =>
  isMetric() ? `${newtons.toFixed(1)} N` : forceInWords(newtons / newtonsPerPound);
