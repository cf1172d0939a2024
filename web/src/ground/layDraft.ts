import { feetTyped } from '../base/words/ground';
import { tenth, type Feet } from './plan';
import type { Lay } from '../data/ground';

/** What a tap adds. */
export type Tool = 'corner' | 'gate' | 'post' | 'keep_off' | 'move';

export interface LayDraft {
  lay: Lay;
  /** The area to keep off that is being drawn: its corners so far. */
  open: Feet[];
}

export const nothingDrawn: Lay = {
  outline: [],
  fence: 'pipe',
  footing: 'good',
  posts: [],
  keep_off: [],
};

export const rectangle = (width: number, length: number): Feet[] => [
  [0, 0],
  [tenth(width), 0],
  [tenth(width), tenth(length)],
  [0, tenth(length)],
];

/** As round as so many corners are. */
export const circle = (across: number): Feet[] =>
  Array.from({ length: 24 }, (_, index) => {
    const angle = (index / 24) * 2 * Math.PI;
    const r = across / 2;
    return [tenth(r + r * Math.cos(angle)), tenth(r + r * Math.sin(angle))];
  });

/** What a tap does with the tool in the hand. */
export function tapped(
  { lay, open }: LayDraft,
  tool: Tool,
  at: Feet,
  keep: Lay['keep_off'],
): LayDraft {
  switch (tool) {
    case 'corner':
      return { lay: { ...lay, outline: [...lay.outline, at] }, open };
    case 'gate':
      return {
        lay: { ...lay, gate: { at: onFence(at, lay.outline), width_ft: lay.gate?.width_ft ?? 12 } },
        open,
      };
    case 'post':
      return { lay: { ...lay, posts: [...(lay.posts ?? []), { name: nextPost(lay), at }] }, open };
    case 'keep_off':
      return { lay: { ...lay, keep_off: keep }, open: [...open, at] };
    case 'move':
      return { lay, open };
  }
}

/** The area that was drawn is kept; with fewer than three corners there is none. */
export function closed(
  { lay, open }: LayDraft,
  kind: NonNullable<Lay['keep_off']>[number]['kind'],
): LayDraft {
  if (open.length < 3) return { lay, open: [] };
  return {
    lay: { ...lay, keep_off: [...(lay.keep_off ?? []), { kind, outline: open }] },
    open: [],
  };
}

function nextPost({ posts }: Lay): string {
  const names = new Set((posts ?? []).map(({ name }) => name));
  for (let number = 1; ; number += 1) if (!names.has(`post ${number}`)) return `post ${number}`;
}

/** The spot of the fence line that is nearest. */
export function onFence(at: Feet, outline: Feet[]): Feet {
  let best = { far: Infinity, at };
  outline.forEach((a, index) => {
    const b = outline[(index + 1) % outline.length]!;
    const [ax, ay, dx, dy] = [a[0]!, a[1]!, b[0]! - a[0]!, b[1]! - a[1]!];
    const along = ((at[0]! - ax) * dx + (at[1]! - ay) * dy) / (dx * dx + dy * dy || 1);
    const part = Math.max(0, Math.min(1, along));
    const spot = [tenth(ax + dx * part), tenth(ay + dy * part)];
    const far = Math.hypot(spot[0]! - at[0]!, spot[1]! - at[1]!);
    if (far < best.far) best = { far, at: spot };
  });
  return best.at;
}

/** A number in the barn's unit, in feet; null while it is none. */
export function feetOf(typed: string): number | null {
  const value = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && Number.isFinite(value) ? feetTyped(value) : null;
}

export const without = <T>(list: T[], index: number) => list.filter((_, at) => at !== index);

export const put = <T>(list: T[], index: number, one: T) =>
  list.map((before, at) => (at === index ? one : before));
