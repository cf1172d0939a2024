import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import { answer, client, ProblemError } from '../base/api/client';
import type { KeptCoolOut, KeptDatabase } from './db';
import { toSendAgain } from './keep';

/** A horse that is cooled out, on this device: its clock runs whatever becomes of the page. */

/** Longer ago than this nobody takes a pulse any more. */
const mostMs = 4 * 3_600_000;

/** The sheet of a horse that is still open. */
export async function openCoolOut(
  db: KeptDatabase,
  horseId: string,
): Promise<KeptCoolOut | undefined> {
  const own = await db.coolOuts.where({ horseId }).toArray();
  return own.find(({ over, startedAt }) => !over && Date.now() - Date.parse(startedAt) < mostMs);
}

/** The work is over: the clock starts. */
export async function startCoolOut(
  db: KeptDatabase,
  { horseId, horseName }: { horseId: string; horseName: string },
): Promise<void> {
  await db.transaction('rw', db.coolOuts, async () => {
    if (await openCoolOut(db, horseId)) return;
    await db.coolOuts.add({
      coolOutId: uuidv7(),
      horseId,
      horseName,
      startedAt: new Date().toISOString(),
      readings: [],
      note: '',
      over: false,
      state: 'waiting',
      version: 1,
    });
  });
}

/** Keeps what was taken; what was taken at the same minute before is replaced. */
export async function takeReading(
  db: KeptDatabase,
  coolOutId: string,
  reading: Schemas['CoolReading'],
): Promise<void> {
  await db.coolOuts.where({ coolOutId }).modify((sheet) => {
    const others = sheet.readings.filter(({ minute }) => minute !== reading.minute);
    const readings = [...others, reading].sort((a, b) => a.minute - b.minute);
    toSendAgain<KeptCoolOut>({ readings })(sheet);
  });
}

/** The horse is cooled out, or somebody else goes on. */
export async function endCoolOut(db: KeptDatabase, coolOutId: string): Promise<void> {
  await db.coolOuts.where({ coolOutId }).modify(toSendAgain<KeptCoolOut>({ over: true }));
}

/** Sends the sheets that wait; the horses of those that went. */
export async function sendCoolOuts(db: KeptDatabase): Promise<string[]> {
  const waiting = await db.coolOuts.where('state').equals('waiting').toArray();
  const sent: string[] = [];
  for (const sheet of waiting) {
    const params = { path: { cool_out_id: sheet.coolOutId } };
    const { horseId, startedAt, readings, note } = sheet;
    const body = { horse_id: horseId, started_at: startedAt, readings, note };
    const state = await client
      .PUT('/api/cool-outs/{cool_out_id}', { params, body })
      .then((answered) => answer(Promise.resolve(answered)))
      .then(() => ({ state: 'sent' as const }))
      .catch((error: unknown) => {
        const said = error instanceof ProblemError && [404, 409, 422].includes(error.status);
        if (!said) throw error;
        return { state: 'refused' as const, refusedBecause: error.message };
      });
    await db.coolOuts.where({ coolOutId: sheet.coolOutId }).modify((kept) => {
      if (kept.version === sheet.version) Object.assign(kept, state);
    });
    if (state.state === 'sent') sent.push(horseId);
  }
  return sent;
}
