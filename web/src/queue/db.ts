import { Dexie, type EntityTable } from 'dexie';
import type { Schemas } from '../api/client';

/** A ride as this device knows it. */
export interface KeptRide {
  rideId: string;
  horseId: string;
  skill: string;
  gait: Schemas['Gait'];
  /** Calendar day where the barn is. */
  day: string;
  startedAt: string;
  finishedAt: string | null;
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
  gait: Schemas['Gait'];
  side: Schemas['Side'];
  askedAt: string;
  measure: Schemas['Measure'];
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

const open = new Map<string, KeptDatabase>();

/** What one person of one barn recorded on this device. Nobody else's is sent or shown. */
export function keptDatabase(barnId: string, personId: string): KeptDatabase {
  const name = `cavesson-${barnId}-${personId}`;
  const known = open.get(name);
  if (known) return known;
  const db = new Dexie(name) as KeptDatabase;
  db.version(1).stores({ rides: 'rideId, horseId, state', reps: 'repId, rideId, state' });
  open.set(name, db);
  return db;
}
