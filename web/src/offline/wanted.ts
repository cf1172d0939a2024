import type { Schemas } from '../base/api/client';
import type { Wanted } from '../outbox/db';
import type { CardBlock, CardDay } from '../data/card';

/** What a rider wants on a card, put on top of what the barn knows of the day. */

type Level = Schemas['Level'];

const is = (one: Level) => (other: Level) => one.skill === other.skill && one.rung === other.rung;

/** What is wanted but for the order of the parts: that changes nothing that is built. */
export function unordered(wanted: Wanted): Wanted {
  const said = { ...wanted };
  delete said.order;
  return said;
}

/** The day as the card is built for it. */
export function dayWith(known: CardDay, wanted: Wanted): CardDay {
  const { without = [], added = [], ...said } = unordered(wanted);
  return {
    ...known,
    ...said,
    without,
    planned: [
      ...(known.planned ?? []).filter(({ level }) => !without.some(is(level))),
      ...added.map((level) => ({ level, side: null, text: '' })),
    ],
  };
}

/** Without a level. */
export function dropped(wanted: Wanted, level: Level): Wanted {
  const added = (wanted.added ?? []).filter((other) => !is(level)(other));
  return { ...wanted, added, without: [...(wanted.without ?? []), level] };
}

/** With a level more. */
export function added(wanted: Wanted, level: Level): Wanted {
  const without = (wanted.without ?? []).filter((other) => !is(level)(other));
  const others = (wanted.added ?? []).filter((other) => !is(level)(other));
  return { ...wanted, without, added: [...others, level] };
}

/** One level in the place of another. */
export const swapped = (wanted: Wanted, level: Level, instead: Level): Wanted =>
  added(dropped(wanted, level), instead);

/** Parts that change places; what comes before loosening, and the end, stand where they stand. */
const moves = new Set(['review', 'work', 'use']);
const goesAlong = new Set(['breather', 'set_up']);

export const isMoved = ({ part }: CardBlock) => moves.has(part);

/** A part that moves, with what belongs to it: setting up before it, the breather after it. */
interface Unit {
  key: string;
  blocks: CardBlock[];
}

function units(blocks: CardBlock[]): Unit[] {
  const found: Unit[] = [];
  let ahead: CardBlock[] = [];
  for (const block of blocks) {
    const unit = found.at(-1);
    if (block.part === 'set_up') ahead.push(block);
    else if (block.part === 'breather' && unit) unit.blocks.push(block);
    else {
      const named = block.levels.map(({ level }) => `${level.skill}/${level.rung}`).join(' ');
      const again = found.filter(({ key }) => key.startsWith(`${named} `)).length;
      found.push({ key: `${named} ${again}`, blocks: [...ahead, block] });
      ahead = [];
    }
  }
  return found;
}

const isMiddle = (block: CardBlock) => isMoved(block) || goesAlong.has(block.part);

/** The parts in the rider's own order; what the order does not name stays where it stands. */
export function inOrder(blocks: CardBlock[], order: string[] | undefined): CardBlock[] {
  const first = blocks.findIndex(isMiddle);
  if (!order || first < 0) return blocks;
  const end = blocks.findLastIndex(isMiddle) + 1;
  const middle = units(blocks.slice(first, end));
  const named = middle.filter(({ key }) => order.includes(key));
  const sorted = [...named].sort((a, b) => order.indexOf(a.key) - order.indexOf(b.key));
  const next = sorted[Symbol.iterator]();
  const laid = middle.map((unit) => (order.includes(unit.key) ? next.next().value : unit) ?? unit);
  return [...blocks.slice(0, first), ...laid.flatMap((unit) => unit.blocks), ...blocks.slice(end)];
}

/** The order with one part earlier (-1) or later (1); none where it cannot go. */
export function movedBy(blocks: CardBlock[], at: number, by: -1 | 1): string[] | undefined {
  const middle = units(blocks.filter(isMiddle));
  const block = blocks[at];
  const from = middle.findIndex((unit) => block !== undefined && unit.blocks.includes(block));
  const to = from + by;
  if (from < 0 || to < 0 || to >= middle.length) return undefined;
  const keys = middle.map(({ key }) => key);
  const [moved] = keys.splice(from, 1);
  if (moved !== undefined) keys.splice(to, 0, moved);
  return keys;
}
