/** Numbers and plurals as people say them. */

const number = new Intl.NumberFormat('en-US');
const whole = new Intl.NumberFormat('en-US', { style: 'percent', maximumFractionDigits: 0 });
const plural = new Intl.PluralRules('en-US');

/** 1 ask, 2 asks, 1,204 asks. */
export function count(many: number, one: string, more = `${one}s`): string {
  return `${number.format(many)} ${plural.select(many) === 'one' ? one : more}`;
}

/** A share, rounded down: what was found never looks better than it is. */
export function percent(share: number | null | undefined): string {
  return share == null ? '–' : whole.format(Math.floor(share * 100 + 1e-9) / 100);
}

/** A share as points of a hundred. */
export const points = (share: number) => Math.round(share * 100);

/** How sure a difference is, from its p; the figure itself stands one tap deeper. */
export const howSure = (p: number) => (p < 0.05 ? 'very likely real' : 'may be chance');

export const pInWords = (p: number) => (p < 0.01 ? 'p below 0.01' : `p ${p.toFixed(2)}`);

/** With a capital first letter. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
