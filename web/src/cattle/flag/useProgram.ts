import { useState } from 'react';
import type { Schemas } from '../../base/api/client';
import { useWho } from '../../data/who';
import type { FlagSaid, Order } from './useFlag';

/** What the next program of the flag is like; kept on the device. */
export interface ProgramWanted {
  minutes: number;
  moreSide: Schemas['Side'];
  /** For a horse that runs ahead: more fakes. */
  runsAhead: boolean;
}

const fresh: ProgramWanted = { minutes: 1, moreSide: 'both', runsAhead: false };

/** A seed nobody can guess: the horse is not to learn a program, nor the rider. */
const anySeed = () => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;

export function useProgram() {
  const { barn_id, person_id } = useWho();
  const key = `cavesson.flag.${barn_id}.${person_id}`;
  const [wanted, set] = useState<ProgramWanted>(() => {
    const kept = localStorage.getItem(key);
    return kept ? { ...fresh, ...(JSON.parse(kept) as ProgramWanted) } : fresh;
  });
  const put = (change: Partial<ProgramWanted>) => {
    const next = { ...wanted, ...change };
    localStorage.setItem(key, JSON.stringify(next));
    set(next);
  };
  const programOf = (widthFt: number, level: Schemas['Tempo'], seed: number) => ({
    level,
    width_ft: widthFt,
    seed,
    minutes: wanted.minutes,
    runs_ahead: wanted.runsAhead,
    ...(wanted.moreSide !== 'both' && { more_side: wanted.moreSide }),
  });
  const orderOf = (flag: FlagSaid, level: Schemas['Tempo'], seed = anySeed()): Order => ({
    order: 'program',
    ...programOf(flag.width_ft, level, seed),
  });
  return { wanted, put, programOf, orderOf, anySeed };
}
