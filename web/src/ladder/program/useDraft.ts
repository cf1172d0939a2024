import { useState } from 'react';
import { useWho } from '../../data/who';
import type { Program } from '../../data/programs';
import {
  begun,
  canRedo,
  canUndo,
  changed,
  contentOf,
  readDraft,
  stepped,
  type Draft as Steps,
} from './draft';

/** A program being changed, kept on this device until it is saved. */
export function useDraft(programId: string, from: number | null, saved: Program) {
  const { barn_id, person_id } = useWho();
  const key = `cavesson.program.${barn_id}.${person_id}.${programId}`;
  const [draft, setDraft] = useState<Steps>(
    () => readDraft(localStorage.getItem(key), from) ?? begun(from, saved),
  );
  const put = (next: Steps) => {
    if (next.steps.length === 1) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(next));
    setDraft(next);
  };
  return {
    content: contentOf(draft),
    /** `field` names what is typed in, so that its letters are one step. */
    change: (next: Program, field: string | null = null) => put(changed(draft, next, field)),
    undo: canUndo(draft) ? () => put(stepped(draft, -1)) : null,
    redo: canRedo(draft) ? () => put(stepped(draft, 1)) : null,
    /** Forgets the steps: this content is the saved one now. */
    settle: (version: number, now: Program) => put(begun(version, now)),
  };
}

export type Draft = ReturnType<typeof useDraft>;
