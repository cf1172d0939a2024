import { bounds } from './bounds';
import type { Output } from '../base/core/core';
import type { DrillPlan, Lay } from '../data/ground';

/** What is written down of each drill. */
export type DrillBook = Output<'drill'>['all'];

/** A drill in the middle of the place, as large as it usually is. */
export function newDrill(lay: Lay | null, book: DrillBook, drill?: string): DrillPlan {
  const { low, high } = bounds(lay?.outline ?? []);
  const about = book.find(({ kind }) => kind === drill) ?? book[0]!;
  return {
    kind: 'drill',
    drill: about.kind,
    size_ft: about.size_ft[0]!,
    first: 'left',
    laps: about.laps,
    placing: { origin: [(low[0]! + high[0]!) / 2, (low[1]! + high[1]!) / 2], rotation_deg: 0 },
  };
}
