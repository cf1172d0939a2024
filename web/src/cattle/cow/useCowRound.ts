import { useCallback, useEffect, useRef, useState } from 'react';
import { calculateAnywhere } from '../../base/core/anywhere';
import type { Output } from '../../base/core/core';
import type { CowRound, Steered } from '../../data/cowRounds';
import { parts, steeredAt, steeredOn, still, type Steer } from './steer';

export type Seen = Output<'cow-step'>;

/** Steps of a round, and how many a second. */
export const roundSteps = 3600;
export const stepsASecond = 60;
/** A page that stood still for longer goes on slower, not in a leap. */
const mostAtOnce = 12;

interface Going {
  round: CowRound;
  /** A round that is seen again, with what was steered then. */
  again?: Steered[];
  begun: number;
  done: number;
  seen: Seen | null;
  steered: Steered[];
}

/** A round on the cow: the core's model, 60 steps a second, drawn as it comes. */
export function useCowRound(onOver: (round: CowRound, steered: Steered[]) => void) {
  const [seen, setSeen] = useState<Seen | null>(null);
  const [state, setState] = useState<'ready' | 'ridden' | 'again' | 'over'>('ready');
  const [wrong, setWrong] = useState<string | null>(null);
  const steer = useRef<Steer>(still);
  const going = useRef<Going | null>(null);
  const over = useRef(onOver);
  useEffect(() => {
    over.current = onOver;
  });

  const run = useCallback(async (of: Going) => {
    setWrong(null);
    try {
      while (going.current === of && of.done < roundSteps) {
        const now = await nextFrame();
        const due = Math.floor(((now - of.begun) / 1000) * stepsASecond) - of.done;
        if (due <= 0) continue;
        if (due > mostAtOnce) of.begun += ((due - mostAtOnce) / stepsASecond) * 1000;
        const steps = Math.min(due, mostAtOnce, roundSteps - of.done);
        const steers = Array.from({ length: steps }, (_, step) =>
          of.again ? steeredAt(of.again, of.done + step) : steer.current,
        );
        const next = await calculateAnywhere('cow-step', {
          round: of.round,
          state: of.seen?.state ?? null,
          steer: steers.map(({ across, up }) => [across / parts, up / parts]),
        });
        if (going.current !== of) return;
        of.seen = next;
        of.done += steps;
        if (!of.again) of.steered = steeredOn(of.steered, steers[0]!, steps);
        setSeen(next);
      }
      if (going.current !== of) return;
      going.current = null;
      setState('over');
      if (!of.again) over.current(of.round, of.steered);
    } catch (error) {
      going.current = null;
      setState('ready');
      setWrong(error instanceof Error ? error.message : String(error));
    }
  }, []);

  const begin = useCallback(
    (round: CowRound, again?: Steered[]) => {
      const of: Going = {
        round,
        again,
        begun: performance.now(),
        done: 0,
        seen: null,
        steered: [],
      };
      going.current = of;
      steer.current = still;
      setState(again ? 'again' : 'ridden');
      void run(of);
    },
    [run],
  );
  const stop = useCallback(() => {
    going.current = null;
    setState('ready');
  }, []);
  useEffect(
    () => () => {
      going.current = null;
    },
    [],
  );
  const setSteer = useCallback((next: Steer) => {
    steer.current = next;
  }, []);
  return { seen, state, wrong, begin, stop, setSteer };
}

const nextFrame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve));
