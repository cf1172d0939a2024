import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import { answer, client, ProblemError } from '../base/api/client';
import type { KeptBitChange, KeptDatabase, Row } from './db';
import { toSendAgain } from './keep';

/** Changing the bit, on this device: each step is kept as it is taken, with or without signal. */

/** Begun longer ago than this, it is begun anew. */
const mostMs = 12 * 3_600_000;

/** The change of a horse to a piece that goes on here. */
export async function openBitChange(
  db: KeptDatabase,
  horseId: string,
  gearId: string,
): Promise<KeptBitChange | undefined> {
  const own = await db.bitChanges.where({ horseId }).toArray();
  own.sort((a, b) => (a.startedAt < b.startedAt ? 1 : -1));
  return own.find(
    (change) => change.gearId === gearId && Date.now() - Date.parse(change.startedAt) < mostMs,
  );
}

type Begin = Pick<KeptBitChange, 'horseId' | 'gearId' | 'fromGearId'>;

/** Begins a change: nothing was tried yet. */
export async function beginBitChange(db: KeptDatabase, begin: Begin): Promise<void> {
  await db.bitChanges.add({
    changeId: uuidv7(),
    ...begin,
    startedAt: new Date().toISOString(),
    steps: [],
    state: 'waiting',
    version: 1,
  });
}

/** Keeps a step after `known` others; a double tap finds it kept. */
export async function takeStep(
  db: KeptDatabase,
  changeId: string,
  known: number,
  step: Schemas['StepTaken'],
): Promise<void> {
  await db.bitChanges.where({ changeId }).modify((change) => {
    if (change.steps.length !== known) return;
    toSendAgain<KeptBitChange>({ steps: [...change.steps, step] })(change);
  });
}

/** Sends the changes that wait; the horses of those that went. */
export async function sendBitChanges(db: KeptDatabase): Promise<string[]> {
  const waiting = await db.bitChanges.where('state').equals('waiting').toArray();
  const sent: string[] = [];
  for (const change of waiting) {
    const state = await sendOne(change);
    await db.bitChanges.where({ changeId: change.changeId }).modify((kept) => {
      if (kept.version === change.version) Object.assign(kept, state);
    });
    if (state.state === 'sent') sent.push(change.horseId);
  }
  return sent;
}

async function sendOne(change: KeptBitChange): Promise<Partial<Row> & Pick<Row, 'state'>> {
  const { changeId, horseId, gearId, fromGearId, startedAt, steps } = change;
  try {
    await answer(
      client.PUT('/api/bit-changes/{change_id}', {
        params: { path: { change_id: changeId } },
        body: {
          horse_id: horseId,
          gear_id: gearId,
          from_gear_id: fromGearId ?? null,
          started_at: startedAt,
          steps,
        },
      }),
    );
    return { state: 'sent' };
  } catch (error) {
    const said = error instanceof ProblemError && [404, 409, 422].includes(error.status);
    if (!said) throw error;
    return { state: 'refused', refusedBecause: error.message };
  }
}
