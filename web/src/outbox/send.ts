import { batchForm } from '../data/batchForm';
import { answer, client, ProblemError, type Schemas } from '../base/api/client';
import { mostAtOnce, type Batch } from './batch';
import { asSentRep, asSentRide, waiting } from './batch';
import { sendBitChanges } from './bitChange';
import { sendCoolOuts } from './coolOut';
import type { KeptDatabase, KeptRep, KeptRide } from './db';

/** One attempt at sending what waits; what the server refuses is set aside with its reason. */

export interface Sent {
  /** nothing: nothing waited. refused: something was set aside. */
  how: 'nothing' | 'sent' | 'refused';
  /** The horses of which the server knows more now. */
  horseIds: string[];
}

/** Problems that are about who and when, not about a row. */
const notOfARow = new Set([401, 403, 408, 426, 429, 502, 503, 504]);

const isAboutRows = ({ status, problem }: ProblemError) =>
  !notOfARow.has(status) && problem.type !== '/problems/another-person';

/** @throws NoSignalError, or a ProblemError that is about no row; both leave everything waiting. */
export async function sendWaiting(db: KeptDatabase, personId: string): Promise<Sent> {
  const cooled = [...(await sendCoolOuts(db)), ...(await sendBitChanges(db))];
  const batch = await waiting(db, mostAtOnce);
  if (batch.rides.length === 0)
    return { how: cooled.length > 0 ? 'sent' : 'nothing', horseIds: cooled };
  const how = await sendPart(db, personId, batch);
  return { how, horseIds: [...new Set([...cooled, ...batch.rides.map((ride) => ride.horseId)])] };
}

/** Sends a part; one that breaks the server is halved until the row that does it stands alone. */
async function sendPart(
  db: KeptDatabase,
  personId: string,
  batch: Batch,
): Promise<'sent' | 'refused'> {
  try {
    await send(db, personId, batch);
    return 'sent';
  } catch (error) {
    if (!(error instanceof ProblemError) || !isAboutRows(error)) throw error;
    if (await setAside(db, batch, error)) return 'refused';
    const parts = halves(batch);
    if (parts) {
      let how: 'sent' | 'refused' = 'sent';
      for (const part of parts) {
        if ((await sendPart(db, personId, part)) === 'refused') how = 'refused';
      }
      return how;
    }
    return sendAlone(db, personId, batch, error);
  }
}

/** One row alone: it is set aside when it fails again while the server is otherwise well. */
async function sendAlone(
  db: KeptDatabase,
  personId: string,
  row: Batch,
  { status }: ProblemError,
): Promise<'sent' | 'refused'> {
  await answer(client.GET('/api/health'));
  try {
    await send(db, personId, row);
    return 'sent';
  } catch (error) {
    if (!(error instanceof ProblemError) || error.status !== status) throw error;
    await answer(client.GET('/api/health'));
    await setAsideWhole(db, row, error);
    return 'refused';
  }
}

async function send(db: KeptDatabase, personId: string, { rides, reps, blocks }: Batch) {
  const body = {
    person_id: personId,
    sent_at: new Date().toISOString(),
    rides: rides.map((ride) => asSentRide(ride, blocks)),
    reps: reps.map(asSentRep),
  };
  const params = { header: { 'cavesson-batch-form': Number(batchForm) } };
  const stored = await answer(client.POST('/api/batches', { body, params }));
  await markSent(db, rides, reps, stored.soft);
}

/** Two parts of a batch, each ride with its own reps; null when it is one row already. */
function halves(batch: Batch): [Batch, Batch] | null {
  const { rides, reps, blocks } = batch;
  if (rides.length > 1) {
    const half = Math.ceil(rides.length / 2);
    const part = (some: KeptRide[]) => {
      const ids = new Set(some.map((ride) => ride.rideId));
      return { rides: some, reps: reps.filter((rep) => ids.has(rep.rideId)), blocks };
    };
    return [part(rides.slice(0, half)), part(rides.slice(half))];
  }
  if (reps.length > 1) {
    const half = Math.ceil(reps.length / 2);
    return [
      { rides, reps: reps.slice(0, half), blocks },
      { rides, reps: reps.slice(half), blocks },
    ];
  }
  // The ride goes alone first: then its one rep stands alone.
  if (reps.length === 1 && rides.some((ride) => ride.state === 'waiting')) {
    return [
      { rides, reps: [], blocks },
      { rides: rides.map((ride) => ({ ...ride, state: 'sent' as const })), reps, blocks },
    ];
  }
  return null;
}

/** A row that changed while it was under way goes out again. */
async function markSent(db: KeptDatabase, rides: KeptRide[], reps: KeptRep[], soft: boolean[]) {
  await db.transaction('rw', db.rides, db.reps, async () => {
    for (const ride of rides) {
      await db.rides.where({ rideId: ride.rideId }).modify((row) => {
        if (row.version === ride.version && row.state === 'waiting') row.state = 'sent';
      });
    }
    for (const [index, rep] of reps.entries()) {
      await db.reps.where({ repId: rep.repId }).modify((row) => {
        row.soft = soft[index];
        if (row.version === rep.version && row.state === 'waiting') row.state = 'sent';
      });
    }
  });
}

/** Sets aside what a problem names by pointer; false when it names nothing of this batch. */
async function setAside(db: KeptDatabase, batch: Batch, { problem }: ProblemError) {
  let named = 0;
  await db.transaction('rw', db.rides, db.reps, async () => {
    for (const { field, detail } of problem.errors ?? []) {
      const [, list, index] = field.split('/');
      const ride = list === 'rides' ? batch.rides[Number(index)] : undefined;
      const rep = list === 'reps' ? batch.reps[Number(index)] : undefined;
      if (ride) named += await refuseRide(db, ride, batch.reps, detail, field);
      if (rep)
        named += await refuse(db.reps.where({ repId: rep.repId }), rep.version, detail, field);
    }
  });
  return named > 0;
}

async function setAsideWhole(db: KeptDatabase, { rides, reps }: Batch, { problem }: ProblemError) {
  const detail = problem.detail;
  const [ride] = rides;
  const [rep] = reps;
  await db.transaction('rw', db.rides, db.reps, async () => {
    if (rep) await refuse(db.reps.where({ repId: rep.repId }), rep.version, detail, '');
    else if (ride) await refuseRide(db, ride, [], detail, '');
  });
}

/** A ride that cannot be stored, and with it those of its reps that were sent along. */
async function refuseRide(
  db: KeptDatabase,
  ride: KeptRide,
  reps: KeptRep[],
  detail: string,
  field: string,
): Promise<number> {
  let named = await refuse(db.rides.where({ rideId: ride.rideId }), ride.version, detail, field);
  for (const rep of reps.filter(({ rideId }) => rideId === ride.rideId)) {
    named += await refuse(db.reps.where({ repId: rep.repId }), rep.version, detail, field);
  }
  return named;
}

/** Only the version that was sent, and only while it waits. */
async function refuse<T extends KeptRide | KeptRep>(
  row: { modify: (change: (row: T) => void) => PromiseLike<number> },
  version: number,
  detail: string,
  field: string,
): Promise<number> {
  let refused = 0;
  await row.modify((kept) => {
    if (kept.version !== version || kept.state === 'dropped') return;
    kept.state = 'refused';
    kept.refusedBecause = detail;
    kept.refusedAt = field.split('/').slice(3).join('/');
    refused += 1;
  });
  return refused;
}

export type SentRep = Schemas['NewRep'];
