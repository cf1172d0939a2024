import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import { cardId } from './card';
import type { CardPartAdded, KeptDatabase, KeptRep, KeptRide } from './db';
import { clock, goingRide, toSendAgain, type Mount } from './keep';

/** Works on cattle and the flag, on this device: one cow for a while, until it is ended. */

type Of = Pick<Mount, 'horseId' | 'day'>;
type Work = Schemas['WorkSaid'];

/** As many as the server takes of one ride. */
const mostWorks = 60;

/** The work that goes on: of the ride, or what its first ask will begin with. */
export async function goingWork(
  db: KeptDatabase,
  mount: Of,
): Promise<Pick<Work, 'work_id' | 'cow_id'> | undefined> {
  const ride = await goingRide(db, mount.horseId);
  if (ride) return ride.works?.findLast(({ ended }) => !ended);
  return (await db.cards.get(cardId(mount)))?.work;
}

/** Works a cow, or the flag when none is named; the work before ends, as it was said to. */
export async function beginWork(
  db: KeptDatabase,
  mount: Of,
  cowId: string | null,
  before: Schemas['HowEnded'] = 'rest',
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    const begun = { work_id: uuidv7(), cow_id: cowId };
    if (!ride) {
      const id = cardId(mount);
      await db.cards.put({ wanted: {}, ...(await db.cards.get(id)), id, work: begun });
      return;
    }
    if ((ride.works?.length ?? 0) >= mostWorks) return;
    const { ms } = clock.after(ride.rideId, ride);
    const works = [...ended(ride.works, ms, before), { ...begun, after_ms: ms }];
    await db.rides
      .where({ rideId: ride.rideId })
      .modify(toSendAgain<KeptRide>({ works, lastMs: ms, lastWall: Date.now() }));
  });
}

/** The work that goes on is over. */
export async function endWork(
  db: KeptDatabase,
  mount: Of,
  how: Schemas['HowEnded'],
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    const ride = await goingRide(db, mount.horseId);
    if (!ride) {
      // Nothing was asked in it: it was no work.
      await db.cards.where({ id: cardId(mount) }).modify((card) => {
        delete card.work;
      });
      return;
    }
    if (!ride.works?.some((work) => !work.ended)) return;
    const { ms } = clock.after(ride.rideId, ride);
    const works = ended(ride.works, ms, how);
    await db.rides
      .where({ rideId: ride.rideId })
      .modify(toSendAgain<KeptRide>({ works, lastMs: ms, lastWall: Date.now() }));
  });
}

const ended = (works: Work[] | undefined, ms: number, how: Schemas['HowEnded']): Work[] =>
  (works ?? []).map((work) => (work.ended ? work : { ...work, ended: { after_ms: ms, how } }));

/** Out of the pen: the work ends, and the dry work with the way back goes on the ride's card. */
export async function leaveCattle(
  db: KeptDatabase,
  mount: Of,
  parts: CardPartAdded[],
): Promise<void> {
  await db.transaction('rw', db.rides, db.cards, async () => {
    await endWork(db, mount, 'left_cattle');
    const id = cardId(mount);
    const known = await db.cards.get(id);
    await db.cards.put({ wanted: {}, ...known, id, added: parts });
  });
}

/** What a ride did on cattle, as the pen looks at it. */
export interface OnCattle {
  works: Work[];
  /** Turns since it left the cattle last, first to last. */
  today: Schemas['Turn'][];
  left: boolean;
  /** Levels that were asked since. */
  dry: { skill: string; rung: string }[];
  worked: string[];
  /** Where it was on cattle last. */
  lastLevel?: { skill: string; rung: string };
}

/** Reads a ride: the flag is not cattle. */
export function onCattle(ride: KeptRide | undefined, reps: KeptRep[]): OnCattle {
  const works = ride?.works ?? [];
  const ofFlag = new Set(works.filter((work) => !work.cow_id).map(({ work_id }) => work_id));
  const leftMs = works.findLast(({ ended: end }) => end?.how === 'left_cattle')?.ended?.after_ms;
  const standing = reps
    .filter(({ undone }) => !undone)
    .sort((a, b) => a.askedAfterMs - b.askedAfterMs || a.sequence - b.sequence);
  const since = standing.filter(({ askedAfterMs }) => askedAfterMs > (leftMs ?? -1));
  const turns = since.filter(({ measure }) => isOnCow(measure, ofFlag));
  const last = standing.findLast(({ measure }) => isOnCow(measure, ofFlag));
  return {
    works,
    today: turns.flatMap(({ measure }) => (measure.kind === 'turn' ? [turnOf(measure)] : [])),
    left: leftMs !== undefined,
    dry: since
      .filter(({ measure }) => measure.kind !== 'turn')
      .map(({ skill, rung }) => ({ skill, rung })),
    worked: works.flatMap(({ cow_id }) => cow_id ?? []),
    ...(last && { lastLevel: { skill: last.skill, rung: last.rung } }),
  };
}

const isOnCow = (measure: KeptRep['measure'], ofFlag: Set<string>) =>
  measure.kind === 'turn' && !measure.flag && !(measure.work_id && ofFlag.has(measure.work_id));

/** The turn alone, without the word that says it is one. */
function turnOf(measure: Extract<KeptRep['measure'], { kind: 'turn' }>): Schemas['Turn'] {
  const { tempo, position, shoulders, weight, waited, result } = measure;
  return { tempo, position, shoulders, weight, waited, result };
}
