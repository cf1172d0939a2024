import type { CowOfLot } from '../../data/cattle';

/** Where a cow stands in the herd book. */
export type Pen = 'fresh' | 'going_stale' | 'done' | 'sorted_off' | 'gone';

export const penOf = ({ put_away_at, standing }: CowOfLot): Pen => {
  if (put_away_at) return 'gone';
  if (standing.sorted_off) return 'sorted_off';
  return standing.done ? 'done' : standing.honesty.freshness;
};

export const penWords: Record<Pen, [title: string, about: string]> = {
  fresh: ['Fresh', 'They stop when a horse heads them.'],
  going_stale: ['Going stale', 'They begin to run through. Use them last.'],
  done: ['Done', 'They teach a horse that a cow cannot be stopped. Out of training.'],
  sorted_off: ['Sorted off', 'Not well. The vet decides.'],
  gone: ['Gone', 'Their works stay in the book.'],
};

/** The pens that hold any, in their order. */
export function inPens(cattle: CowOfLot[]): [Pen, CowOfLot[]][] {
  const pens = Object.keys(penWords) as Pen[];
  return pens
    .map((pen): [Pen, CowOfLot[]] => [pen, cattle.filter((cow) => penOf(cow) === pen)])
    .filter(([, own]) => own.length > 0);
}
