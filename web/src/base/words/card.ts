import type { Schemas } from '../api/client';

type Part = Schemas['Part'];
type AtHand = Schemas['AtHand'];

/** What the parts of a card are for, in a word. */
export const partWords: Record<Part, string> = {
  check_over: 'Check over',
  brake: 'Brake',
  cold: 'Cold',
  loosen: 'Loosen',
  review: 'Review',
  work: 'Work',
  breather: 'Breather',
  set_up: 'Set up',
  use: 'Use it',
  finish: 'Finish',
  walk_out: 'Walk out',
};

/** What there may be at hand. */
export const atHandWords: Record<AtHand, string> = {
  cattle: 'Cattle',
  flag: 'Flag',
  barrels: 'Barrels',
  obstacles: 'Obstacles',
  company: 'Company',
  outside: 'Way outside',
  haul: 'Trailer',
};
