import type { Steered } from '../../data/cowRounds';

/** Where a rider steers, in eighths of full speed: across to the right, up the pen. */
export interface Steer {
  across: number;
  up: number;
}

export const still: Steer = { across: 0, up: 0 };
export const parts = 8;

const keys: Record<string, [across: number, up: number] | undefined> = {
  arrowleft: [-1, 0],
  arrowright: [1, 0],
  arrowup: [0, 1],
  arrowdown: [0, -1],
  a: [-1, 0],
  d: [1, 0],
  w: [0, 1],
  s: [0, -1],
};

export const steers = (key: string) => keys[key.toLowerCase()] !== undefined;

/** What the keys that are held steer; two that are opposed are none. */
export function byKeys(held: Iterable<string>): Steer {
  let [across, up] = [0, 0];
  for (const key of held) {
    const [x, y] = keys[key.toLowerCase()] ?? [0, 0];
    across += x;
    up += y;
  }
  return { across: Math.sign(across) * parts, up: Math.sign(up) * parts };
}

/** Feet from the horse to the finger at which it goes as fast as it can. */
const fullFt = 7;

/** To where a finger is: the faster the further off. */
export function toward(horse: number[], finger: number[]): Steer {
  const part = (feet: number) =>
    Math.max(-parts, Math.min(parts, Math.round((feet / fullFt) * parts))) + 0;
  return {
    across: part((finger[0] ?? 0) - (horse[0] ?? 0)),
    up: part((finger[1] ?? 0) - (horse[1] ?? 0)),
  };
}

/** So many more steps, steered like that. */
export function steeredOn(before: Steered[], { across, up }: Steer, steps: number): Steered[] {
  const last = before.at(-1);
  if (last && last.across === across && last.up === up)
    return [...before.slice(0, -1), { ...last, steps: last.steps + steps }];
  return [...before, { steps, across, up }];
}

/** What was steered at a step of a round. */
export function steeredAt(steered: Steered[], step: number): Steer {
  let left = step;
  for (const one of steered) {
    if (left < one.steps) return one;
    left -= one.steps;
  }
  return still;
}
