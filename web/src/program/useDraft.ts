import { useCallback, useState } from 'react';
import type { Program } from './changes';

interface Kept {
  /** The version it was begun on; null for a program that is not made yet. */
  from: number | null;
  steps: Program[];
  at: number;
}

const key = (programId: string) => `cavesson.program.${programId}`;
/** Steps that can be undone. */
const mostSteps = 200;

function kept(programId: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(key(programId)) ?? 'null') as Kept | null;
  } catch {
    return null;
  }
}

/**
 * A program being changed, step by step, kept on this device until it is saved.
 * Typing on in one field is one step.
 */
export function useDraft(programId: string, from: number | null, saved: Program) {
  const [draft, setDraft] = useState<Kept>(() => {
    const before = kept(programId);
    return before && before.from === from ? before : { from, steps: [saved], at: 0 };
  });
  const [field, setField] = useState<string | null>(null);
  const put = useCallback(
    (next: Kept) => {
      if (next.steps.length === 1) localStorage.removeItem(key(programId));
      else localStorage.setItem(key(programId), JSON.stringify(next));
      setDraft(next);
    },
    [programId],
  );
  const content = draft.steps[draft.at] ?? saved;
  /** `typing` names the field that is typed in, so that its letters are one step. */
  const change = (next: Program, typing: string | null = null) => {
    const goesOn =
      typing !== null && typing === field && draft.at === draft.steps.length - 1 && draft.at > 0;
    const before = draft.steps.slice(0, goesOn ? draft.at : draft.at + 1);
    const steps = [...before, next].slice(-mostSteps);
    setField(typing);
    put({ from: draft.from, steps, at: steps.length - 1 });
  };
  const step = (by: number) => {
    setField(null);
    put({ ...draft, at: draft.at + by });
  };
  return {
    content,
    change,
    undo: draft.at > 0 ? () => step(-1) : null,
    redo: draft.at < draft.steps.length - 1 ? () => step(1) : null,
    /** Forgets the steps: this content is the saved one now. */
    settle: (version: number, now: Program) => {
      setField(null);
      put({ from: version, steps: [now], at: 0 });
    },
  };
}

export type Draft = ReturnType<typeof useDraft>;
