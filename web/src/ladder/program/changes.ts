import type { Schemas } from '../../base/api/client';
import type { Program } from '../../data/programs';
import { valueAt, withValue, type Value } from './gateFields';

/** A skill, or one rung of it, as a change names it. */
export interface Target {
  skill: string;
  /** All rungs when left out. */
  rung?: string;
}

const isOf = (change: Schemas['GateChange'], { skill, rung }: Target) =>
  change.skill === skill && (change.rung ?? undefined) === rung;

/** The changed numbers of a target. */
export const changedGate = (program: Program, target: Target): Record<string, unknown> =>
  ((program.gates ?? []).find((change) => isOf(change, target))?.gate as Record<string, unknown>) ??
  {};

/** The program with one number of a gate changed; undefined takes the change back. */
export function changeGate(
  program: Program,
  target: Target,
  path: string,
  value: Value | undefined,
): Program {
  const gate = withValue(changedGate(program, target), path, value);
  const others = (program.gates ?? []).filter((change) => !isOf(change, target));
  const own = Object.keys(gate).length > 0 ? [{ ...target, gate }] : [];
  return { ...program, gates: [...others, ...own] };
}

/** The program with a target back as it ships. */
export const resetGate = (program: Program, target: Target): Program => ({
  ...program,
  gates: (program.gates ?? []).filter((change) => !isOf(change, target)),
});

/** The program with a school chosen; the default is not written down. */
export function chooseSchool(
  program: Program,
  question: Schemas['Question'],
  choice: string,
): Program {
  const schools = { ...program.schools, [question.id]: choice };
  if (question.choices[0]?.id === choice) delete schools[question.id];
  return { ...program, schools };
}

export const chosenSchool = (program: Program, question: Schemas['Question']): string =>
  program.schools?.[question.id] ?? question.choices[0]?.id ?? '';

/** Whether a program changes anything on a level. */
export const touchesLevel = (program: Program, { skill, rung }: { skill: string; rung: string }) =>
  (program.gates ?? []).some(
    (change) => change.skill === skill && (change.rung == null || change.rung === rung),
  );

/** The value a level has in this program: its own change, its skill's, or what ships. */
export function valueIn(
  program: Program,
  level: { skill: string; rung: string },
  path: string,
  shipped: Schemas['Gate'],
): Value | undefined {
  // Later changes lie on top of earlier ones.
  for (const change of [...(program.gates ?? [])].reverse()) {
    const applies =
      change.skill === level.skill && (change.rung == null || change.rung === level.rung);
    const value = applies ? valueAt(change.gate, path) : undefined;
    if (value !== undefined) return value;
  }
  return valueAt(shipped, path);
}

export const same = (a: Program, b: Program) =>
  JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** Keys in one order, so that two programs can be compared as text. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, one]) => one != null)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([key, one]) => [key, sorted(one)]),
  );
}
