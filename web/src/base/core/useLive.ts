import { useEffect, useRef, useState } from 'react';
import { calculateAnywhere } from './anywhere';
import type { CalculatorName, Input, Output } from './core';

export interface Live<N extends CalculatorName> {
  output?: Output<N>;
  error?: string;
}

/**
 * What a calculator says of something that moves under the hand. One question is under way at a
 * time; the last one asked meanwhile comes next, those between are left out.
 */
export function useLive<N extends CalculatorName>(name: N, input: Input<N> | null): Live<N> {
  const [live, setLive] = useState<Live<N>>({});
  const next = useRef<string>(null);
  const busy = useRef(false);
  const asked = input && JSON.stringify(input);
  useEffect(() => {
    next.current = asked;
    const work = async () => {
      busy.current = true;
      while (next.current) {
        const of = next.current;
        next.current = null;
        try {
          setLive({ output: await calculateAnywhere(name, JSON.parse(of) as Input<N>) });
        } catch (error) {
          // What cannot be is said; what was last stays in sight.
          const why = error instanceof Error ? error.message : String(error);
          setLive(({ output }) => ({ output, error: why }));
        }
      }
      busy.current = false;
    };
    if (asked && !busy.current) void work();
  }, [asked, name]);
  return live;
}
