import type { Program } from '../../data/programs';

/** A program being changed, step by step. */
export interface Draft {
  /** The version it was begun on; null for a program that is not made yet. */
  from: number | null;
  steps: Program[];
  /** The step that is looked at. */
  at: number;
  /** The field that is typed in; its letters are one step. */
  field: string | null;
}

/** Steps that can be undone. */
export const mostSteps = 200;

export const begun = (from: number | null, saved: Program): Draft => ({
  from,
  steps: [saved],
  at: 0,
  field: null,
});

export const contentOf = (draft: Draft): Program => draft.steps[draft.at]!;

/** One step on; what was undone before is left behind. Typing on in one field is one step. */
export function changed(draft: Draft, next: Program, field: string | null = null): Draft {
  const last = draft.at === draft.steps.length - 1;
  const typesOn = field !== null && field === draft.field && last && draft.at > 0;
  const before = draft.steps.slice(0, typesOn ? draft.at : draft.at + 1);
  const steps = [...before, next].slice(-mostSteps);
  return { ...draft, steps, at: steps.length - 1, field };
}

/** So many steps back or on, as far as there are any. */
export function stepped(draft: Draft, by: number): Draft {
  const at = Math.min(Math.max(draft.at + by, 0), draft.steps.length - 1);
  return { ...draft, at, field: null };
}

export const canUndo = (draft: Draft) => draft.at > 0;
export const canRedo = (draft: Draft) => draft.at < draft.steps.length - 1;

/** What was kept on the device, where it is one that goes on from this version. */
export function readDraft(text: string | null, from: number | null): Draft | null {
  try {
    const kept = JSON.parse(text ?? 'null') as Draft | null;
    const fits = kept?.from === from && Array.isArray(kept.steps) && kept.steps[kept.at];
    return fits ? { ...kept, field: null } : null;
  } catch {
    return null;
  }
}
