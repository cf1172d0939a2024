import { Dexie, type EntityTable, type Transaction } from 'dexie';
import { v7 as uuidv7 } from 'uuid';
import type { Schemas } from '../base/api/client';
import type { Measure } from '../base/words/measures';

/** What this device knows and the server may not: rides, their blocks, reps, holds. */

/** waiting: to be sent. refused: the server said why not; it waits for a person. dropped: taken out by one. */
export type RowState = 'waiting' | 'sent' | 'refused' | 'dropped';

/** Where a row stands on its way to the server. */
export interface Row {
  state: RowState;
  /** Rises with each change here; an answer of the server is about one version. */
  version: number;
  /** Why the server did not take it, and at which field. */
  refusedBecause?: string;
  refusedAt?: string;
}

/** A ride as this device knows it. */
export interface KeptRide extends Row {
  rideId: string;
  horseId: string;
  /** What people call the horse, to say so on every page. */
  horseName: string;
  /** Calendar day where the barn is. */
  day: string;
  /** As this device's clock stood; never changes once it was sent. */
  startedAt: string;
  /** By how many seconds the clock was set forward since, as far as it was seen. */
  setForwardS: number;
  /** Milliseconds from the start to what happened last, and the wall clock then. */
  lastMs: number;
  lastWall: number;
  /** The number of the next ask. */
  nextSequence: number;
  finishedAfterMs: number | null;
  openedAgain: number;
  /** What made it unlike the others; unset while nobody said on this device. */
  marks?: Schemas['RideMark'][];
  /** All faults seen in its parts; unset while nobody said on this device. */
  faults?: Schemas['BlockFault'][];
  /** Seconds until it was quiet before mounting; unset while nobody took it here. */
  quietAfterS?: number;
  /** The headgear, first to last; unset while nobody said on this device. */
  rigs?: Schemas['RigFrom'][];
  /** In the two-rein, the share along the ride; what the horse asked for in it or in a bosal. */
  shares?: Schemas['ShareSaid'][];
  horseAsked?: Schemas['HorseAsked'][];
  /** Works on cattle and the flag, first to last. */
  works?: Schemas['WorkSaid'][];
  /** Who else was there; unset while nobody said here. */
  present?: string;
  /** How it ended, the horse's mood, one line for next time; unset while nobody said here. */
  ended?: Schemas['RideEnd'];
  mood?: Schemas['Mood'];
  exertion?: Schemas['Exertion'];
  note?: string;
  /** It is logged from a film, and who rides in it. */
  fromTape?: Schemas['FromTape'];
  /** That it is part of an intake. */
  intake?: Schemas['IntakeOfRide'];
}

/** A part of a ride: one level, asked for a while. */
export interface KeptBlock {
  blockId: string;
  rideId: string;
  position: number;
  skill: string;
  rung: string;
}

/** A rep as this device knows it. */
export interface KeptRep extends Row {
  repId: string;
  rideId: string;
  blockId: string;
  skill: string;
  rung: string;
  side: Schemas['Side'];
  sequence: number;
  askedAfterMs: number;
  askedAt: string;
  measure: Measure;
  /** Faults seen on it; unset for one that was recorded here. */
  faults?: string[];
  undone: boolean;
  /** How often it was taken back or brought back. */
  changes: number;
  /** Decided by the server; unknown until it was sent. */
  soft?: boolean;
}

/** A hold: kept from the moment of the press until what the horse did is known. */
export interface KeptHold {
  /** The id of the rep it becomes. */
  repId: string;
  horseId: string;
  horseName: string;
  skill: string;
  rung: string;
  levelName: string;
  side: Schemas['Side'];
  /** What it becomes when the horse gives; the time is put in. Holds from before have the hand alone. */
  measure?: Measure;
  hand?: Schemas['HandWeight'];
  /** ISO time of the press, and milliseconds since the ride's start where it has begun. */
  askedAt: string;
  /** Seconds held, as far as is known. */
  heldS: number;
  /** The page it is held on. When that page is gone, the hold is a question. */
  page: string;
  /** The device broke it off, or the page is gone. */
  cutOff: boolean;
}

/** A headgear by kind, and what the barn calls it. */
export type Rig = Omit<Schemas['RigFrom'], 'after_ms'>;

/** A part that was put on a card while the ride went on. */
export interface CardPartAdded {
  part: Schemas['Part'];
  skill: string;
  rung: string;
  name: string;
  asks: number;
}

/** A horse's card of a day as its rider wants it. */
export interface KeptCard {
  /** The horse and the day. */
  id: string;
  wanted: Wanted;
  /** The card as the ride began with it: what is asked on the way changes it no more. */
  begun?: Schemas['Card'];
  /** The headgear the ride is to begin in. */
  rig?: Rig;
  /** The piece that was put there because the barn says the horse wears it, not by the rider. */
  wornByBarn?: string;
  /** The work its first ask begins with: a cow that was picked before it. */
  work?: Pick<Schemas['WorkSaid'], 'work_id' | 'cow_id'>;
  /** Parts that were ordered on the way: dry work after the cattle, and the way back. */
  added?: CardPartAdded[];
  /** The share of the bosal it is to begin with, in the two-rein. */
  bosalPct?: number;
  /** Who else is there on the next ride of the day. */
  present?: string;
  /** The horse's next ride is part of an intake. */
  intake?: Schemas['IntakeOfRide'];
  /** When the horse was led out, while it is not quiet yet: ISO time. */
  ledOutAt?: string;
}

/** What a rider wants otherwise on a card than the barn knows of the day. */
export interface Wanted {
  minutes?: number;
  helper?: boolean;
  at_hand?: Schemas['AtHand'][];
  temperature_f?: number | null;
  humidity_pct?: number | null;
  quiet_today_min?: number;
  without?: Schemas['Level'][];
  added?: Schemas['Level'][];
  /** The parts in the rider's own order. */
  order?: string[];
}

/** A horse that is cooled out: kept from the moment its work was over. */
export interface KeptCoolOut extends Row {
  coolOutId: string;
  horseId: string;
  horseName: string;
  /** ISO time at which the work was over: minute 0. */
  startedAt: string;
  readings: Schemas['CoolReading'][];
  note: string;
  /** Nobody takes anything any more. */
  over: boolean;
}

/** A change of bit, from its first step on. */
export interface KeptBitChange extends Row {
  changeId: string;
  horseId: string;
  gearId: string;
  fromGearId?: string;
  startedAt: string;
  steps: Schemas['StepTaken'][];
}

export type KeptDatabase = Dexie & {
  rides: EntityTable<KeptRide, 'rideId'>;
  blocks: EntityTable<KeptBlock, 'blockId'>;
  reps: EntityTable<KeptRep, 'repId'>;
  holds: EntityTable<KeptHold, 'repId'>;
  cards: EntityTable<KeptCard, 'id'>;
  coolOuts: EntityTable<KeptCoolOut, 'coolOutId'>;
  bitChanges: EntityTable<KeptBitChange, 'changeId'>;
};

const before = { rides: 'rideId, horseId, state', reps: 'repId, rideId, state' };
const stores = { ...before, blocks: 'blockId, rideId', holds: 'repId, horseId' };

const open = new Map<string, KeptDatabase>();

export const databaseName = (barnId: string, personId: string) => `cavesson-${barnId}-${personId}`;

/** What one person of one barn recorded on this device. Nobody else's is sent or shown. */
export function keptDatabase(barnId: string, personId: string): KeptDatabase {
  const name = databaseName(barnId, personId);
  const known = open.get(name);
  if (known) return known;
  // Strict: a write that is answered is on the disk, not only on its way there.
  const db = new Dexie(name, { chromeTransactionDurability: 'strict' }) as KeptDatabase;
  db.version(1).stores(before);
  // What a level is asked at was called a gait; now it is a rung.
  db.version(2)
    .stores(before)
    .upgrade(async (old) => {
      const rename = (row: { gait?: string; rung?: string }) => {
        row.rung ??= row.gait;
        delete row.gait;
      };
      await old.table('rides').toCollection().modify(rename);
      await old.table('reps').toCollection().modify(rename);
    });
  // A level belongs to the rep, and a ride has blocks.
  db.version(3).stores(stores).upgrade(giveBlocks);
  // Cards as their riders want them.
  db.version(4).stores({ ...stores, cards: 'id' });
  // Horses that are cooled out.
  db.version(5).stores({ ...stores, cards: 'id', coolOuts: 'coolOutId, horseId, state' });
  // Bits that are changed.
  db.version(6).stores({
    ...stores,
    cards: 'id',
    coolOuts: 'coolOutId, horseId, state',
    bitChanges: 'changeId, horseId, state',
  });
  open.set(name, db);
  return db;
}

interface OldRide extends Row {
  rideId: string;
  horseId: string;
  day: string;
  startedAt: string;
  finishedAt: string | null;
}

type OldRep = Omit<KeptRep, 'blockId' | 'sequence' | 'askedAfterMs' | 'changes'>;

/** Rides from before had no blocks, no order but the clock's, and their finish as a time of day. */
async function giveBlocks(old: Transaction) {
  const rides = (await old.table('rides').toArray()) as OldRide[];
  const all = (await old.table('reps').toArray()) as OldRep[];
  for (const ride of rides) {
    const reps = all
      .filter((rep) => rep.rideId === ride.rideId)
      .sort((a, b) => (a.askedAt < b.askedAt ? -1 : 1));
    if (reps.length === 0 && ride.finishedAt === null) {
      await old.table('rides').delete(ride.rideId);
      continue;
    }
    const start = Date.parse(ride.startedAt);
    const since = (at: string) => Math.max(0, Date.parse(at) - start);
    const blocks: KeptBlock[] = [];
    for (const [sequence, rep] of reps.entries()) {
      let block = blocks.find(({ skill, rung }) => skill === rep.skill && rung === rep.rung);
      if (!block) {
        block = {
          blockId: uuidv7(),
          rideId: ride.rideId,
          position: blocks.length,
          skill: rep.skill,
          rung: rep.rung,
        };
        blocks.push(block);
      }
      await old.table('reps').put({
        ...rep,
        blockId: block.blockId,
        sequence,
        askedAfterMs: since(rep.askedAt),
        changes: rep.undone ? 1 : 0,
      });
    }
    await old.table('blocks').bulkAdd(blocks);
    const last = reps.at(-1)?.askedAt ?? ride.startedAt;
    await old.table('rides').put({
      ...ride,
      horseName: '',
      setForwardS: 0,
      lastMs: since(last),
      lastWall: Date.parse(last),
      nextSequence: reps.length,
      finishedAfterMs: ride.finishedAt === null ? null : since(ride.finishedAt),
      openedAgain: 0,
    });
  }
}
