import type { Schemas } from '../../base/api/client';

export type Decision = Schemas['OverruleOutcome'];

/** A decision, and those made with it. */
export interface Group {
  first: Decision;
  others: Decision[];
}

/** Decisions of one day, horse and reason stand together: a horse came with all of it. */
export function cameWith(decisions: Decision[]): Group[] {
  const found = new Map<string, Group>();
  for (const decision of decisions) {
    const { day, reason, counts_as } = decision.overrule;
    const key = [decision.horse.horse_id, day, reason, counts_as, decision.withdrawn].join('|');
    const known = found.get(key);
    if (known) known.others.push(decision);
    else found.set(key, { first: decision, others: [] });
  }
  return [...found.values()];
}
