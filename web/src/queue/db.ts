import { Dexie, type EntityTable } from 'dexie';
import type { Schemas } from '../api/client';
import type { Give } from '../words/measures';

/** A ride as this device knows it. */
export interface KeptRide {
  rideId: string;
  horseId: string;
  skill: string;
  rung: string;
  /** Calendar day where the barn is. */
  day: string;
  startedAt: string;
  finishedAt: string | null;
  /** What made it unlike the others; unset while nobody said on this device. */
  marks?: Schemas['RideMark'][];
  /** All faults seen in its parts; unset while nobody said on this device. */
  faults?: Schemas['BlockFault'][];
  /** waiting: the server does not know it, or not its finish. */
  state: 'waiting' | 'sent' | 'refused';
  version: number;
  refusedBecause?: string;
}

/** A rep as this device knows it. */
export interface KeptRep {
  repId: string;
  rideId: string;
  skill: string;
  rung: string;
  side: Schemas['Side'];
  askedAt: string;
  measure: Give;
  undone: boolean;
  state: 'waiting' | 'sent' | 'refused';
  version: number;
  /** Decided by the server; unknown until it was sent. */
  soft?: boolean;
  refusedBecause?: string;
}

export type KeptDatabase = Dexie & {
  rides: EntityTable<KeptRide, 'rideId'>;
  reps: EntityTable<KeptRep, 'repId'>;
};

const stores = { rides: 'rideId, horseId, state', reps: 'repId, rideId, state' };

const open = new Map<string, KeptDatabase>();

/** What one person of one barn recorded on this device. Nobody else's is sent or shown. */
export function keptDatabase(barnId: string, personId: string): KeptDatabase {
  const name = `cavesson-${barnId}-${personId}`;
  const known = open.get(name);
  if (known) return known;
  const db = new Dexie(name) as KeptDatabase;
  db.version(1).stores(stores);
  // What a level is asked at was called a gait; now it is a rung.
  db.version(2)
    .stores(stores)
    .upgrade(async (old) => {
      const rename = (row: { gait?: string; rung?: string }) => {
        row.rung ??= row.gait;
        delete row.gait;
      };
      await old.table('rides').toCollection().modify(rename);
      await old.table('reps').toCollection().modify(rename);
    });
  open.set(name, db);
  return db;
}
