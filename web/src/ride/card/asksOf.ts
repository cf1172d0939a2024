import { sideWords } from '../../base/words/answers';
import { count } from '../../base/words/plain';
import type { CardBlock } from '../../data/card';

/** Asks a side, in the order of asking. */
export function asksOf({ asks, part }: CardBlock): string {
  if (asks.length === 0 || part === 'brake') return '';
  const said = asks.map(({ side, asks: number }) =>
    side === 'both' ? count(number, 'ask') : `${number} ${sideWords[side].toLowerCase()}`,
  );
  return `: ${said.join(', then ')}`;
}
