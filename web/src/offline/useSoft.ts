import { useEffect } from 'react';
import type { Schemas } from '../base/api/client';
import type { KeptDatabase, KeptRep } from '../outbox/db';
import { calculate, CoreBroke, hasCore } from '../base/core/core';

interface Rule {
  gate: Schemas['Gate'];
  level: { gait: Schemas['Gait'] };
}

/**
 * Decides at once which asks of a level were soft, without signal. The server's word
 * takes the place of it when the ask has gone out.
 */
export function useSoft(db: KeptDatabase, reps: KeptRep[], rule: Rule | undefined) {
  useEffect(() => {
    if (!hasCore || !rule) return;
    const open = reps.filter((rep) => rep.soft === undefined);
    for (const rep of open) void decide(db, rep, rule);
  }, [db, reps, rule]);
}

async function decide(db: KeptDatabase, { repId, measure, version }: KeptRep, rule: Rule) {
  try {
    const { soft } = await calculate('soft', {
      measure,
      gait: rule.level.gait,
      rule: rule.gate.soft,
    });
    await db.reps.where({ repId }).modify((row) => {
      // Changed meanwhile, or the server was quicker.
      if (row.version === version && row.soft === undefined) row.soft = soft;
    });
  } catch (error) {
    // Without the core the server says it.
    if (!(error instanceof CoreBroke)) console.error(error);
  }
}
