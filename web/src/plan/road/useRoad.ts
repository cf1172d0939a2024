import { useEffect, useRef, useState } from 'react';
import { calculateAnywhere } from '../../base/core/anywhere';
import type { RoadInput, RoadOutput } from '../../data/road';

/** Futures drawn while a slider moves: the answer keeps up with the hand. */
const movingFutures = 400;

export interface Said {
  output: RoadOutput;
  /** It is what is asked now; otherwise an answer is on its way. */
  current: boolean;
}

/**
 * The road with something changed. One question is under way at a time; the last one asked
 * meanwhile comes next, those between are left out. Undefined until the first answer.
 */
export function useRoad(input: RoadInput | null, moving: boolean): Said | undefined {
  const futures = moving ? movingFutures : (input?.road.futures ?? 2000);
  const asked = input && JSON.stringify({ ...input, road: { ...input.road, futures } });
  const [said, setSaid] = useState<{ output: RoadOutput; of: string }>();
  const next = useRef<string>(null);
  const busy = useRef(false);
  useEffect(() => {
    next.current = asked;
    const work = async () => {
      busy.current = true;
      while (next.current) {
        const of = next.current;
        next.current = null;
        try {
          const output = await calculateAnywhere('road', JSON.parse(of) as never);
          setSaid({ output, of });
        } catch (error) {
          console.warn(error);
        }
      }
      busy.current = false;
    };
    if (asked && !busy.current) void work();
  }, [asked]);
  return said && { output: said.output, current: said.of === asked };
}
