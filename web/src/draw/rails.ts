import type { Schemas } from '../base/api/client';
import { percent } from '../base/words/plain';

export type Item = Schemas['Item'];
export type ItemKind = Schemas['ItemKind'];

/** One rail of the gate: two halves, or one whole. */
export interface Rail {
  kind: ItemKind;
  label: string;
  halves: Item[];
}

/** From the top of the gate down. */
const order: ItemKind[] = [
  'first_ask',
  'no_miss',
  'low_share',
  'soft_share',
  'days',
  'reps',
  'count',
  'difference',
  'time_ratio',
  'level_below',
];

export const railNames: Record<ItemKind, string> = {
  first_ask: 'First ask soft',
  low_share: 'Proven above',
  soft_share: 'Soft share',
  days: 'Days asked',
  reps: 'Asks',
  count: 'So far',
  no_miss: 'Soft in a row',
  level_below: 'Level below, last day',
  difference: 'Sides differ',
  time_ratio: 'Slower side',
};

export function rails(items: Item[], firstAskDays: number): Rail[] {
  return order
    .map((kind) => ({ kind, halves: items.filter((item) => item.item === kind) }))
    .filter(({ halves }) => halves.length > 0)
    .map(({ kind, halves }) => ({ kind, halves, label: label(kind, halves[0]!, firstAskDays) }));
}

function label(kind: ItemKind, { needed }: Item, firstAskDays: number): string {
  const name = railNames[kind];
  switch (kind) {
    case 'first_ask':
      return `${name}: ${needed} of ${firstAskDays} days`;
    case 'difference':
      return `${name}: at most ${Math.round(needed * 100)} points`;
    case 'time_ratio':
      return `${name}: at most ${needed.toFixed(1)} times`;
    default:
      return `${name}: ${figure(kind, needed)}`;
  }
}

/** A figure of a rail, rounded so that it never looks better than it is. */
export function figure(kind: ItemKind, found: number | null | undefined): string {
  if (found == null) return '–';
  switch (kind) {
    case 'soft_share':
    case 'low_share':
    case 'level_below':
      return percent(found);
    case 'difference':
      return `${Math.ceil(found * 100 - 1e-9)}`;
    case 'time_ratio':
      return `${(Math.ceil(found * 10 - 1e-9) / 10).toFixed(1)}`;
    default:
      return `${found}`;
  }
}
